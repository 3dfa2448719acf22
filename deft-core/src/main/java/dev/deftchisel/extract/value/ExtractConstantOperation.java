package dev.deftchisel.extract.value;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.extract.Visibility;
import dev.deftchisel.member.parameter.ConstructionEscape;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.TypeWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;

/** Gives a value that is always the same a name in the class: a static final field. */
public final class ExtractConstantOperation implements Operation {

    /** The key of the name. */
    public static final String NAME = "name";
    /** The key of the choice which places get the constant: {@code here} or {@code all} of the class. */
    public static final String PLACES = "places";

    private static final Question PLACES_QUESTION = new Question.Choice(
            PLACES,
            "where the constant is used",
            List.of(new Question.Option("here", "only in this place"),
                    new Question.Option("all", "wherever the class says the same")),
            "here");
    private static final Question VISIBILITY_QUESTION = Visibility.question("who may use the constant");

    @Override
    public String id() {
        return "extract-constant";
    }

    @Override
    public String summary() {
        return "Extract a constant expression into a constant of the class";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Proposed(NAME, "the name of the constant", List.of()), PLACES_QUESTION,
                VISIBILITY_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.analysis().code(resolved.file().path()).flatMap(code -> constant(code, resolved).map(selected ->
                new Offer(id(), "extract '" + code.shown(selected.range(), 50) + "' to a constant",
                        Offer.Kind.EXTRACT,
                        selected.range(), List.of(new Question.Proposed(NAME, "the name of the constant",
                                new NameProposals(code).ofConstant(selected.path())), PLACES_QUESTION,
                                VISIBILITY_QUESTION))));
    }

    /** The innermost expression at a place that can be a constant. */
    private static Optional<SelectedExpression> constant(AttributedFile code, ResolvedPlace resolved) {
        List<SelectedExpression> candidates = new ArrayList<>(SelectedExpression.at(code, resolved.place()
                .selection()));
        // at a bare caret a literal comes before what is around it
        candidates.sort((one, other) -> Integer.compare(one.range().length(), other.range().length()));
        return candidates.stream()
                .filter(selected -> obstacle(code, selected).isEmpty())
                .filter(selected -> resolved.place().selection().length() > 0
                        || !(selected.tree().getKind() == Tree.Kind.IDENTIFIER))
                .findFirst();
    }

    private static boolean isInEnum(ResolvedPlace resolved) {
        return resolved.analysis().code(resolved.file().path())
                .flatMap(code -> constant(code, resolved).flatMap(selected -> code.element(selected.owner())))
                .filter(owner -> owner.getKind() == ElementKind.ENUM).isPresent();
    }

    /** Why an expression is not constant in meaning; empty when it is. */
    private static Optional<String> obstacle(AttributedFile code, SelectedExpression selected) {
        return selected.variation(code).or(() -> code.dependsOnThis(selected.path())
                ? Optional.of("it depends on the object it is evaluated in") : Optional.empty())
                .or(() -> initialised(code, selected).map(type -> "it initialises the class " + type
                        + ", which would happen earlier (JLS 12.4.1)"));
    }

    /** A class of the workspace that reading a field of it initialises, and that the code around does not belong to. */
    private static Optional<String> initialised(AttributedFile code, SelectedExpression selected) {
        List<String> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                note(getCurrentPath());
                return null;
            }

            @Override
            public Void visitMemberSelect(MemberSelectTree tree, Void unused) {
                note(getCurrentPath());
                return super.visitMemberSelect(tree, null);
            }

            private void note(TreePath path) {
                code.element(path).filter(element -> element.getKind() == ElementKind.FIELD && element.getModifiers()
                        .contains(Modifier.STATIC)
                        && ((VariableElement) element).getConstantValue() == null
                        && !isAround(element.getEnclosingElement(), selected, code)
                        && !isOfPlatform(element, code))
                        .ifPresent(element -> found.add(element.getEnclosingElement().getSimpleName().toString()));
            }
        }.scan(selected.path(), null);
        return found.stream().findFirst();
    }

    private static boolean isAround(Element type, SelectedExpression selected, AttributedFile code) {
        for (TreePath at = selected.owner(); at != null; at = at.getParentPath()) {
            if (code.element(at).filter(type::equals).isPresent()) {
                return true;
            }
        }
        return false;
    }

    /** Whether a value is made of static fields of the class, which must have theirs first. */
    private static boolean readsOwn(AttributedFile code, SelectedExpression selected, TreePath owner) {
        return code.expressions(selected.path()).stream().flatMap(part -> code.element(part).stream())
                .anyMatch(element -> element instanceof VariableElement field && field.getConstantValue() == null
                        && code.element(owner).filter(field.getEnclosingElement()::equals).isPresent());
    }

    private static boolean isOfPlatform(Element element, AttributedFile code) {
        String home = code.elements().getPackageOf(element).getQualifiedName().toString();
        return home.equals("java") || home.startsWith("java.") || home.startsWith("javax.");
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        Set<String> names = answers.single(NAME).map(Set::of).orElse(Set.of());
        boolean all = answers.single(PLACES).filter("all"::equals).isPresent();
        // the other places may be in any body, and so may be what the constants of an enum run
        Analysis before = analyst.analyse(all || isInEnum(resolved) ? Focus.whole(Set.of(file)).deeply()
                : new Focus(Set.of(file), names, Set.of(), Map.of(file, List.of(resolved.place().selection())), true));
        AttributedFile code = before.code(file).orElseThrow();
        List<SelectedExpression> candidates = SelectedExpression.at(code, resolved.place().selection());
        if (candidates.isEmpty()) {
            return Plan.refused(resolved, "there is no expression here that could be a constant; select one, or put "
                    + "the "
                    + "caret in it");
        }
        Optional<SelectedExpression> selected = constant(code, resolved);
        if (selected.isEmpty()) {
            return Plan.refused(Reason.at(file, candidates.get(0).range(), obstacle(code, candidates.get(0))
                    .orElse("this is a constant's name already")));
        }
        String name = answers.single(NAME).orElseGet(() -> new NameProposals(code).ofConstant(selected.get().path())
                .get(0));
        Optional<String> objection = new NewName(name, SymbolKind.FIELD, resolved.file().module().level()).objection();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        return Visibility.objection(answers, before, name, file)
                .map(Plan::refused)
                .orElseGet(() -> plan(before, code, selected.get(), name, all, Visibility.level(answers).prefix()));
    }

    private Plan plan(Analysis before, AttributedFile code, SelectedExpression selected, String name, boolean all,
            String visibility) {
        TreePath owner = selected.owner();
        TypeWriter writer = new TypeWriter(code);
        Optional<String> type = code.type(selected.path()).flatMap(writer::write);
        if (type.isEmpty()) {
            return Plan.refused(Reason.at(code.file().path(), selected.range(),
                    "its type has no name that could be written here"));
        }
        // a constant variable has its value from the beginning (JLS 12.4.2)
        Optional<Reason> early = Constants.value(code, selected.path()).isPresent() ? Optional.empty()
                : new ConstructionEscape(code, owner).earlyInClass();
        ElementKind kind = code.element(owner).map(Element::getKind).orElseThrow();
        // the constants of an enum come first, whatever they run
        if (early.isPresent() && (readsOwn(code, selected, owner) || kind == ElementKind.ENUM)) {
            return Plan.refused(early.get());
        }
        boolean isInterface = kind.isInterface();
        String modifiers = isInterface ? "" : visibility + "static final ";
        List<Edit> edits = new ArrayList<>();
        edits.add(new FieldDeclaration(code, owner, modifiers + type.get(), name, Optional.of(selected.range()))
                .behindConstants(selected.range(), early.map(member -> member.range().start())
                        .orElse(Integer.MAX_VALUE)));
        List<TreePath> places = all && !selected.isPartOfChain(code)
                ? new SameValue(before, code, selected).within(owner) : List.of(selected.path());
        places.forEach(place -> edits.add(selected.named(code, place, name)));
        edits.addAll(writer.imports());
        return new Plan.Ready(new Change("extract '" + code.shown(selected.range(), 50) + "' to the constant " + name,
                List.of(new FileChange(code.file().path(), Optional.empty(), code.file().text(), edits)),
                SymbolEffects.same(), List.of()), before);
    }
}
