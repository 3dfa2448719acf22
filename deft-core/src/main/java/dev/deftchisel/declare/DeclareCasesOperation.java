package dev.deftchisel.declare;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.member.PlaceholderCode;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.DeclaredType;

/** Writes the cases that a {@code switch} over an enum does not have (JLS 14.11.1, 15.28.1). */
public final class DeclareCasesOperation implements Operation {

    /** The key of the constants. */
    public static final String MEMBERS = "members";

    @Override
    public String id() {
        return "declare-cases";
    }

    @Override
    public String summary() {
        return "Declare the missing cases of a switch over an enum";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Members(MEMBERS, "the cases", List.of(), List.of()));
    }

    /**
     * A {@code switch} with what it lacks.
     *
     * @param cases     that it has
     * @param constants that have none, in the order of the enum
     */
    private record Lacking(AttributedFile code, TreePath path, List<? extends CaseTree> cases, List<String> constants) {
    }

    private static Optional<Lacking> lacking(Analysis analysis, ResolvedPlace resolved) {
        return analysis.code(resolved.file().path()).flatMap(code -> code.around(resolved.place().selection()).stream()
                .filter(path -> path.getLeaf() instanceof SwitchTree || path.getLeaf() instanceof SwitchExpressionTree)
                .findFirst()
                .map(path -> lacking(code, path))
                .filter(lacking -> !lacking.constants().isEmpty()));
    }

    private static Lacking lacking(AttributedFile code, TreePath path) {
        List<? extends CaseTree> cases = TreePaths.cases(path.getLeaf());
        // a default has no expression of its own
        boolean isOpen = cases.stream().noneMatch(one -> one.getExpressions().isEmpty());
        Set<String> there = cases.stream().flatMap(one -> one.getExpressions().stream()).map(code::text)
                .collect(Collectors.toSet());
        List<String> constants = code.type(new TreePath(path, TreePaths.chosenFrom(path.getLeaf())))
                .filter(type -> isOpen && type instanceof DeclaredType declared && declared.asElement()
                        .getKind() == ElementKind.ENUM)
                .map(type -> ((DeclaredType) type).asElement().getEnclosedElements().stream()
                        .filter(member -> member.getKind() == ElementKind.ENUM_CONSTANT)
                        .map(Element::getSimpleName).map(Object::toString)
                        .filter(name -> !there.contains(name)).toList())
                .orElse(List.of());
        return new Lacking(code, path, cases, constants);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return lacking(resolved.analysis(), resolved)
                .map(lacking -> new Offer(id(), "declare the cases " + String.join(", ", lacking.constants()),
                Offer.Kind.GENERATE, lacking.code().range(lacking.path().getLeaf()),
                List.of(new Question.Members(MEMBERS, "the cases", lacking.constants(), lacking.constants()))));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis before = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        Optional<Lacking> found = lacking(before, resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no switch over an enum here that lacks a case");
        }
        Lacking lacking = found.get();
        List<String> chosen = answers.several(MEMBERS).orElse(lacking.constants());
        Optional<String> unknown = chosen.stream().filter(name -> !lacking.constants().contains(name)).findFirst();
        if (unknown.isPresent()) {
            return Plan.refused(resolved, "the switch does not lack a case '" + unknown.get() + "'; it lacks "
                    + String.join(", ", lacking.constants()));
        }
        EditsByFile edits = new EditsByFile(before);
        edits.of(resolved.file().path()).add(written(lacking, chosen));
        return new Plan.Ready(edits.change("declare the cases " + String.join(", ", chosen), SymbolEffects.same(),
                List.of()), before);
    }

    private static Edit written(Lacking lacking, List<String> chosen) {
        AttributedFile code = lacking.code();
        Layout layout = Layout.of(code.file());
        Range whole = code.range(lacking.path().getLeaf());
        String outer = Layout.indentOf(code.file(), whole.start());
        boolean isEmpty = lacking.cases().isEmpty();
        String indent = isEmpty ? outer + layout.unit()
                : Layout.indentOf(code.file(), code.range(lacking.cases().get(0)).start());
        boolean isArrow = isEmpty ? code.file().module().level() >= 14 : lacking.cases().get(0)
                .getCaseKind() == CaseTree.CaseKind.RULE;
        Tokens tokens = code.tokens();
        int brace = tokens.at(whole.end() - 1);
        int gap = brace - 1;
        boolean isSpace = tokens.kind(gap) == TokenKind.WHITE_SPACE;
        NewCode text = new NewCode(code.file());
        for (String name : chosen) {
            text.write(layout.lineEnd() + indent + "case " + name
                    + (isArrow ? " -> " : ":" + layout.lineEnd() + indent + layout.unit())
                    + PlaceholderCode.FAILURE.strip());
        }
        return text.write(layout.lineEnd() + outer)
                .replacing(new Range(isSpace ? tokens.start(gap) : tokens.start(brace),
                tokens.start(brace)));
    }
}
