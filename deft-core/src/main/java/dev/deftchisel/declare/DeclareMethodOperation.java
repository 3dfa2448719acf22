package dev.deftchisel.declare;

import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.declare.signature.DeclarationRequest;
import dev.deftchisel.declare.signature.MethodSignature;
import dev.deftchisel.declare.signature.Parameters;
import dev.deftchisel.member.CodingStyle;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.PlaceholderCode;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Declares the method that a call asks for, in the type that must have it. */
public final class DeclareMethodOperation extends DeclareOperation {

    /** The key of the choice what the method does: {@code throw}, {@code value} or {@code none}. */
    public static final String BODY = "body";
    /** The key of what it returns, where the call does not tell. */
    public static final String RESULT = "result";

    private static final String NONE = "none";
    private static final String THROW = "throw";
    private static final Question BODY_QUESTION = new Question.Choice(BODY, "what the method does until it is written",
            List.of(new Question.Option("kind", "as the type has it: it fails, or has no body in an interface"),
                    new Question.Option(THROW, "it fails"),
                    new Question.Option("value", "it returns nothing, zero or null"),
                    new Question.Option(NONE, "it has no body; implementers must have one")),
            "kind");

    @Override
    public String id() {
        return "declare-method";
    }

    @Override
    public String summary() {
        return "Declare the method that a call refers to";
    }

    @Override
    public List<Question> questions() {
        return List.of(BODY_QUESTION, new Question.Text(RESULT,
                "its return type, if the call does not show it", ""),
                VISIBILITY_QUESTION);
    }

    @Override
    boolean isFor(UnresolvedName missing) {
        return missing.call().isPresent() && !missing.isConstructor() || missing.isReference();
    }

    @Override
    String title(UnresolvedName missing) {
        return "declare the method " + missing.owner().map(type -> type.getSimpleName() + ".")
                .orElse("") + missing.name();
    }

    @Override
    PlannedDeclaration declared(DeclarationRequest asked) {
        UnresolvedName missing = asked.missing();
        TargetClass owner = asked.owner();
        MethodSignature shape = MethodSignature.of(asked);
        if (shape.parameters().objection().isPresent()) {
            return new PlannedDeclaration.Impossible(shape.parameters().objection().get());
        }
        boolean isStatic = shape.isStatic();
        Optional<String> type = asked.answers().single(RESULT).filter(said -> !said.isEmpty())
                .or(() -> shape.result().flatMap(asked.types().ofMethod()::member));
        if (type.isEmpty()) {
            return new PlannedDeclaration.Impossible("the call does not show what " + missing.name()
                    + " returns; say it (result)");
        }
        boolean isInterface = owner.type().getKind().isInterface();
        boolean isOpen = isInterface && !isStatic && !isFunction(owner);
        String body = asked.answers().single(BODY).filter(said -> !said.equals("kind")).orElse(isOpen ? NONE : THROW);
        boolean isAbstract = body.equals(NONE);
        if (isAbstract && (isStatic || !isInterface && !owner.type().getModifiers().contains(Modifier.ABSTRACT))) {
            return new PlannedDeclaration.Impossible(
                    "a method without a body must belong to an object of an interface or an abstract class");
        }
        // what is overridden must not be more open than what overrides it (JLS 8.4.8.3)
        AccessLevel access = shape.overridden().map(below -> between(access(asked), below))
                .orElseGet(() -> access(asked));
        boolean isSilent = isInterface || isAbstract && access == AccessLevel.PRIVATE;
        String modifiers = (isSilent ? "" : access.prefix())
                + (isStatic ? "static " : isAbstract && !isInterface ? "abstract " : isInterface && !isAbstract
                        ? "default " : "");
        String head = modifiers + shape.typeParameters(asked) + type.get() + " " + missing.name() + "("
                + shape.parameters().declared(CodingStyle.of(owner).parameter()) + ")"
                + shape.thrown(owner, asked.types());
        return new PlannedDeclaration.Members(title(missing),
                List.of(NewMember.added(NewMember.Kind.METHOD, missing.name(),
                isAbstract ? List.of(head + ";") : lines(head, body, type.get(), shape.result()))
                        .linking(shape.parameters().all().stream().map(Parameters.One::name)
                                .filter(name -> !name.equals(missing.name()))
                                .collect(Collectors.toSet()))),
                isAbstract ? implemented(asked, shape, type.get(), isInterface ? AccessLevel.PUBLIC : access)
                : List.of());
    }

    /** Whether an interface says that it has one method only, and has it (JLS 9.6.4.9). */
    private static boolean isFunction(TargetClass owner) {
        return owner.type().getAnnotation(FunctionalInterface.class) != null
                && Functions.of(owner.code(), owner.type().asType()).isPresent();
    }

    /** As open as is needed, and so that classes below have it, but not more than what overrides it. */
    private static AccessLevel between(AccessLevel needed, ExecutableElement below) {
        AccessLevel most = AccessLevel.of(below.getModifiers());
        AccessLevel least = needed.compareTo(AccessLevel.PROTECTED) < 0 ? AccessLevel.PROTECTED : needed;
        return most.compareTo(least) < 0 ? most : least;
    }

    /** What classes below must have then. */
    private static List<Elsewhere> implemented(DeclarationRequest asked, MethodSignature shape, String type,
            AccessLevel access) {
        List<Elsewhere> all = new ArrayList<>();
        for (TargetClass below : new Implementers(asked.owner(), asked.before())
                .lacking(asked.missing().name(), shape.parameters().all().size())) {
            UseTypes types = UseTypes.of(asked.edits().writer(asked.code()), asked.edits().writer(below.code()),
                    asked.code(),
                    Optional.empty()).ofMethod();
            String result = shape.result().flatMap(types::member).orElse(type);
            String head = access.prefix()
                    + shape.typeParameters(asked) + result
                    + " "
                    + asked.missing().name() + "(" + shape.parameters().in(types)
                    .declared(CodingStyle.of(below).parameter()) + ") {";
            all.add(new Elsewhere(below, NewMember.added(NewMember.Kind.METHOD, asked.missing().name(),
                    List.of("@Override", head, PlaceholderCode.FAILURE, "}"))));
        }
        return all;
    }

    private static List<String> lines(String head, String body, String type, Optional<TypeMirror> result) {
        List<String> lines = new ArrayList<>(List.of(head + " {"));
        if (body.equals(THROW)) {
            lines.add(PlaceholderCode.FAILURE);
        } else if (!type.equals("void")) {
            lines.add(result.filter(found -> found.getKind() != TypeKind.VOID).map(PlaceholderCode::returned)
                    .orElse("    return null;"));
        }
        lines.add("}");
        return lines;
    }
}
