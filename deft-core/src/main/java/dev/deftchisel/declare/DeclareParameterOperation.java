package dev.deftchisel.declare;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.member.parameter.AddedParameter;
import dev.deftchisel.member.parameter.FamilyBodies;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * Declares the parameter that a name asks for in the method around, or that one argument too many asks for in the
 * method or constructor that is called. Every other call passes a value of the user's choice.
 */
public final class DeclareParameterOperation implements Operation {

    /** The key of the name, where an argument asks for it. */
    public static final String NAME = "name";
    /** The key of what the other calls pass, as code; nothing, zero or null when it is not told. */
    public static final String VALUE = "value";
    /** The key of the choice whether a constructor keeps it in a field: {@code field} or {@code none}. */
    public static final String KEEP = "keep";

    private static final Question VALUE_QUESTION = new Question.Text(VALUE,
            "what the other calls pass; false, zero or null by default", "");
    private static final Question KEEP_QUESTION = new Question.Choice(KEEP, "what a constructor does with it",
            List.of(new Question.Option("field", "it keeps it in a field"), new Question.Option("none", "nothing")),
            "field");

    @Override
    public String id() {
        return "declare-parameter";
    }

    @Override
    public String summary() {
        return "Declare the parameter that a name or an extra argument refers to";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Proposed(NAME, "the name of the parameter", List.of()), VALUE_QUESTION,
                KEEP_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return UnresolvedName.at(resolved.analysis(), resolved)
                .flatMap(missing -> receiver(missing).map(receiver -> offer(missing, receiver)));
    }

    private Offer offer(UnresolvedName missing, ExecutableElement receiver) {
        List<Question> questions = new ArrayList<>();
        if (missing.call().isPresent()) {
            questions.add(new Question.Proposed(NAME, "the name of the parameter",
                    NameProposals.elsewhere(missing.code())
                    .of(added(missing))));
        }
        questions.add(VALUE_QUESTION);
        if (receiver.getKind() == ElementKind.CONSTRUCTOR) {
            questions.add(KEEP_QUESTION);
        }
        return new Offer(id(), title(missing, receiver), Offer.Kind.GENERATE, missing.range(), questions);
    }

    private static String title(UnresolvedName missing, ExecutableElement receiver) {
        return "declare the parameter " + (missing.call().isEmpty() ? missing.name() : "for '"
                + missing.code().shown(missing.code().range(added(missing).getLeaf()), 40) + "'") + " of "
                + AddedParameter.word(receiver);
    }

    /** The argument that nobody takes. */
    private static TreePath added(UnresolvedName missing) {
        List<? extends ExpressionTree> arguments = missing.arguments();
        return new TreePath(missing.call().orElseThrow(), arguments.get(arguments.size() - 1));
    }

    /** The method or constructor that is to have the parameter. */
    private static Optional<ExecutableElement> receiver(UnresolvedName missing) {
        if (missing.call().isPresent()) {
            return missing.owner().flatMap(owner -> owner.getEnclosedElements().stream()
                    .filter(member -> member.getSimpleName()
                            .contentEquals(missing.isConstructor() ? "<init>" : missing.name()))
                    .filter(member -> member instanceof ExecutableElement method && takesAllButLast(missing, method))
                    .map(member -> (ExecutableElement) member)
                    .findFirst());
        }
        return missing.isType() || missing.object().isPresent() ? Optional.empty()
                : missing.method().flatMap(missing.code()::element).map(element -> (ExecutableElement) element);
    }

    private static boolean takesAllButLast(UnresolvedName missing, ExecutableElement method) {
        List<? extends ExpressionTree> arguments = missing.arguments();
        if (method.isVarArgs() || method.getParameters().size() != arguments.size() - 1) {
            return false;
        }
        for (int i = 0; i < method.getParameters().size(); i++) {
            Optional<TypeMirror> type = missing.code().type(new TreePath(missing.path(), arguments.get(i)));
            TypeMirror taken = method.getParameters().get(i).asType();
            // what only its target gives a type may fit
            if (type.isPresent() && !missing.code().types()
                    .isAssignable(missing.code().types().erasure(type.get()), missing.code()
                    .types().erasure(taken))) {
                return false;
            }
        }
        return true;
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        Analysis near = analyst.analyse(Focus.around(file, resolved.place().selection()).deeply());
        Optional<UnresolvedName> found = UnresolvedName.at(near, resolved);
        Optional<ExecutableElement> method = found.flatMap(DeclareParameterOperation::receiver);
        if (method.isEmpty()) {
            return Plan.refused(resolved, "nothing here asks for a parameter: a name that nobody declares,"
                    + " or a call with one argument too many");
        }
        SymbolKey key = found.get().code().key(method.get());
        SymbolKey owner = found.get().code().key(method.get().getEnclosingElement());
        Optional<SourceFile> home = analyst.declaring(owner);
        if (home.isEmpty()) {
            return Plan.refused(resolved, AddedParameter.word(method.get())
                    + " is not declared in the workspace, and cannot get a parameter");
        }
        Analysis before = FamilyBodies.with(analyst, analyst.analyse(AddedParameter.focus(analyst, method.get(),
                List.of(file, home.get().path()), Set.of(found.get().name()),
                Map.of(file, List.of(resolved.place().selection())))), key);
        UnresolvedName missing = UnresolvedName.at(before, resolved).orElseThrow();
        Optional<TypeMirror> type = type(missing, before);
        if (type.isEmpty()) {
            return Plan.refused(Reason.at(file, missing.range(),
                    "the use does not show of which type the parameter is; declare what it needs first"));
        }
        String name = missing.call().isEmpty() ? missing.name()
                : answers.single(NAME).orElseGet(() -> NameProposals.elsewhere(missing.code()).of(added(missing))
                        .get(0));
        String value = answers.single(VALUE).filter(said -> !said.isEmpty()).orElse("");
        boolean isKept = missing.isConstructor() && answers.single(KEEP).filter("none"::equals).isEmpty();
        return new ParameterPlan(before, before.code(home.get().path()).orElseThrow(), key, type.get(), name, value,
                isKept)
                .plan(resolved, title(missing, method.get()));
    }

    private static Optional<TypeMirror> type(UnresolvedName missing, Analysis before) {
        if (missing.call().isPresent()) {
            TreePath argument = added(missing);
            return missing.code().type(argument).filter(type -> type.getKind() != TypeKind.NULL
                    && type.getKind() != TypeKind.VOID);
        }
        List<UnresolvedName> uses = new ArrayList<>(List.of(missing));
        missing.others(before).stream()
                .filter(other -> leaf(other.method()).equals(leaf(missing.method())))
                .forEach(uses::add);
        return DeclareVariableOperation.type(uses, UseTypes.ofNothing(missing.code()));
    }

    private static Optional<MethodTree> leaf(Optional<TreePath> method) {
        return method.map(path -> (MethodTree) path.getLeaf());
    }
}
