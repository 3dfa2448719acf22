package dev.deftchisel.generate;

import com.sun.source.tree.MethodTree;
import dev.deftchisel.member.AccessorNames;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeMirror;

/** Writes methods that tell and set the values of chosen parts; those that are there are kept. */
public final class GenerateAccessorsOperation extends GenerateOperation {

    /** The key of the choice what the methods do: {@code read}, {@code write} or {@code both}. */
    public static final String ACCESS = "access";
    /** The key of the choice how they are called: {@code beans}, {@code plain} or {@code fluent}. */
    public static final String NAMES = "names";
    /** The key of the flag whether arrays and collections are copied. */
    public static final String COPIES = "copies";

    private static final String FLUENT = "fluent";
    private static final Question ACCESS_QUESTION = new Question.Choice(
            ACCESS, "what the methods do",
            List.of(new Question.Option("read", "return the value"),
                    new Question.Option("write", "set the value"),
                    new Question.Option("both", "both")),
            "read");
    private static final Question NAMES_QUESTION = new Question.Choice(
            NAMES, "how they are called",
            List.of(new Question.Option("file", "as those that are there, or as JavaBeans"),
                    new Question.Option("beans", "as JavaBeans: getBerth, setBerth"),
                    new Question.Option("plain", "as what they access: berth"),
                    new Question.Option(FLUENT, "plainly, and what sets returns the object")),
            "file");
    private static final Question COPIES_QUESTION = new Question.Flag(COPIES, "arrays and collections are copied",
            false);

    @Override
    public String id() {
        return "generate-accessors";
    }

    @Override
    public String summary() {
        return "Generate getters and setters for chosen fields";
    }

    @Override
    List<Question> choices() {
        return List.of(ACCESS_QUESTION, NAMES_QUESTION, COPIES_QUESTION, VISIBILITY.question());
    }

    @Override
    String membersLabel() {
        return "the fields that are accessed";
    }

    @Override
    boolean isFor(TargetClass target) {
        boolean isOfState = target.type().getKind() == ElementKind.CLASS || target.type().getKind() == ElementKind.ENUM;
        return isOfState && !candidates(target).isEmpty();
    }

    @Override
    List<StateField> candidates(TargetClass target) {
        return target.parts();
    }

    /** At a field that one, otherwise all. */
    @Override
    List<StateField> defaultMembers(TargetClass target, int offset) {
        return target.partAt(offset).map(List::of).orElseGet(() -> candidates(target));
    }

    @Override
    String title(TargetClass target) {
        return "generate accessors of " + target.shown();
    }

    @Override
    GenerationResult generate(GenerationRequest request) {
        TargetClass target = request.target();
        List<StateField> chosen = request.chosen();
        Answers answers = request.answers();
        TypeWriter writer = request.writer();
        String access = answers.single(ACCESS).orElse("read");
        String names = answers.single(NAMES).orElse("file");
        AccessorNames called;
        if (names.equals("beans")) {
            called = AccessorNames.BEANS;
        } else if (names.equals("file")) {
            called = AccessorNames.of(target);
        } else {
            called = AccessorNames.PLAIN;
        }
        AccessorText text = new AccessorText(target, writer,
                new AccessorStyle(called, names.equals(FLUENT), answers.flag(COPIES),
                VISIBILITY.level(answers).prefix()));
        List<NewMember> members = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        for (StateField part : chosen) {
            Optional<Reason> objection = Optional.empty();
            if (!access.equals("write")) {
                objection = add(target, called.reader(part), List.of(), members, notes, text.reader(part));
            }
            if (!access.equals("read") && part.isFinal()) {
                notes.add(part.name() + " is final and cannot be set");
            } else if (!access.equals("read")) {
                objection = objection.or(() -> add(target, called.writer(part), List.of(part.type()), members, notes,
                        text.writer(part)));
            }
            if (objection.isPresent()) {
                return new GenerationResult.Refused(objection.get());
            }
        }
        if (chosen.isEmpty()) {
            return GenerationResult.refused("choose at least one field");
        }
        return members.isEmpty() ? GenerationResult.refused("nothing is left to write: " + String.join(", ", notes))
                : new GenerationResult.Members(title(target), members, notes);
    }

    /** Why a method of the name cannot come to the others. */
    private static Optional<Reason> add(TargetClass target, String name, List<TypeMirror> parameters,
            List<NewMember> members,
            List<String> notes, List<String> lines) {
        Optional<MethodTree> there = target.declared(name, parameters);
        Optional<ExecutableElement> above = target.inherited(name, parameters);
        if (there.isPresent()) {
            notes.add(name + " is there already");
        } else if (target.isAdded(name, parameters)) {
            notes.add(name + " is there already, an annotation adds it");
        } else if (above.isPresent() || parameters.isEmpty()
                && List.of("getClass", "hashCode", "toString", "notify", "notifyAll",
                "wait").contains(name)) {
            return Optional.of(Reason.of(name + " would take the place of the method that "
                    + above.map(method -> method.getEnclosingElement().getSimpleName().toString()).orElse("Object")
                    + " has; leave it out"));
        } else {
            members.add(NewMember.added(NewMember.Kind.ACCESSOR, name, lines));
        }
        return Optional.empty();
    }
}
