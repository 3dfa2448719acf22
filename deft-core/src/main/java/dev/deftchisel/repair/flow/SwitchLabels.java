package dev.deftchisel.repair.flow;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.util.ElementFilter;

/** Labels and selectors of a {@code switch} that Java does not have (JLS 14.11). */
public final class SwitchLabels implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("const.expr.req", "string.const.req", "enum.label.must.be.unqualified.enum",
                "enum.label.must.be.enum.constant", "enum.label.must.be.known.enum.constant",
                "preview.feature.disabled.plural", "selector.expr.must.be.int",
                "feature.not.supported.in.source.plural", "constant.label.not.compatible",
                "switch.mixing.case.types");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return switch (site.id()) {
            case "const.expr.req", "string.const.req" -> label(site);
            case "enum.label.must.be.unqualified.enum", "enum.label.must.be.enum.constant",
                    "enum.label.must.be.known.enum.constant" -> labels(site);
            case "switch.mixing.case.types" -> mixed(site);
            default -> selector(site);
        };
    }

    /** A label must be a constant: the variable becomes one. */
    private static List<Fix> label(ErrorSite site) {
        Optional<TreePath> declared = site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree)
                .findFirst()
                .flatMap(site::declaration).filter(path -> path.getLeaf() instanceof VariableTree);
        return declared.filter(path -> !((VariableTree) path.getLeaf()).getModifiers().getFlags()
                .contains(Modifier.FINAL))
                .map(path -> List.of(Fix.of("make '" + ((VariableTree) path.getLeaf()).getName() + "' final",
                        edits -> ModifierWords.add(edits, path.getLeaf(), "final")))).orElse(List.of());
    }

    /** The constants of an enum stand without its name in labels before Java 21 (JLS 14.11.1). */
    private static List<Fix> labels(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> choice = site.around().stream().filter(path -> path.getLeaf() instanceof SwitchTree
                || path.getLeaf() instanceof SwitchExpressionTree).findFirst();
        Optional<TreePath> named = site.nearest(CaseTree.class);
        Optional<String> unknown = named.flatMap(path -> ((CaseTree) path.getLeaf()).getExpressions().stream()
                .filter(label -> label instanceof IdentifierTree && code.range(label).encloses(site.error().range()))
                .map(label -> ((IdentifierTree) label).getName().toString()).findFirst());
        if (unknown.isPresent() && choice.isPresent()) {
            return unknownConstant(unknown.get(), named.get(), choice.get(), site);
        }
        return choice.map(path -> List.of(Fix.of("write the constants alone",
                edits -> TreePaths.cases(path.getLeaf()).stream()
                .flatMap(branch -> branch.getExpressions().stream())
                .filter(label -> label instanceof MemberSelectTree)
                .forEach(label -> edits.cut(new Range(code.range(label).start(),
                        code.range(label).end() - ((MemberSelectTree) label).getIdentifier().length()))))))
                        .orElse(List.of());
    }

    /** A label that names no constant of the enum: it is one of another name, goes, or is declared. */
    private static List<Fix> unknownConstant(String name, TreePath branch, TreePath choice, ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TypeElement> type = code.type(new TreePath(choice, TreePaths.chosenFrom(choice.getLeaf())))
                .filter(known -> known instanceof DeclaredType)
                .map(known -> (TypeElement) ((DeclaredType) known).asElement());
        List<VariableElement> constants = type.map(known -> ElementFilter.fieldsIn(known.getEnclosedElements()).stream()
                .filter(field -> field.getKind() == ElementKind.ENUM_CONSTANT).toList()).orElse(List.of());
        Set<String> used = TreePaths.cases(choice.getLeaf()).stream().flatMap(one -> one.getExpressions().stream())
                .map(code::text).collect(Collectors.toSet());
        List<Fix> fixes = new ArrayList<>();
        Spelling.near(name, constants.stream().map(constant -> constant.getSimpleName().toString())
                .filter(one -> !used.contains(one)).collect(Collectors.toSet()))
                .forEach(near -> fixes.add(Fix.of("write '" + near + "'",
                        edits -> edits.replace(site.error().range(), near))));
        if (!constants.isEmpty()) {
            site.context().names().declaration(constants.get(constants.size() - 1))
                    .ifPresent(last -> fixes.add(Fix.of("declare the constant '" + name + "'",
                    edits -> edits.insert(code.range(last.getLeaf()).end(), ", " + name))));
        }
        fixes.add(Fix.of("remove the case", edits -> edits.remove(code.range(branch.getLeaf()))));
        return fixes;
    }

    /** Cases with arrows and with colons: the odd one is written as the first is. */
    private static List<Fix> mixed(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> odd = site.nearest(CaseTree.class);
        if (odd.isEmpty()) {
            return List.of();
        }
        CaseTree branch = (CaseTree) odd.get().getLeaf();
        boolean isArrow = branch.getCaseKind() == CaseTree.CaseKind.RULE;
        List<Range> others = TreePaths.cases(odd.get().getParentPath().getLeaf()).stream()
                .filter(other -> other != branch && other.getCaseKind() != branch.getCaseKind())
                .flatMap(other -> sign(other, !isArrow, code).stream()).toList();
        List<Fix> fixes = new ArrayList<>();
        sign(branch, isArrow, code).ifPresent(sign -> fixes.add(Fix.of("write '" + (isArrow ? ":" : "->") + "'",
                edits -> edits.replace(sign, isArrow ? ":" : " ->"))));
        fixes.add(Fix.of("write '" + (isArrow ? "->" : ":") + "' in the other cases",
                edits -> others.forEach(sign -> edits.replace(sign, isArrow ? " ->" : ":"))));
        return fixes;
    }

    /** What stands between the label of a case and its code. */
    private static Optional<Range> sign(CaseTree branch, boolean isArrow, AttributedFile code) {
        Range range = code.range(branch);
        for (int i = code.tokens().at(range.start()); i < code.tokens().count() && code.tokens()
                .start(i) < range.end(); i++) {
            if (code.tokens().text(i).equals(isArrow ? "->" : ":")) {
                return Optional.of(code.tokens().range(i));
            }
        }
        return Optional.empty();
    }

    /** A switch over a long, a double or a boolean. */
    private static List<Fix> selector(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> choice = site.around().stream().filter(path -> path.getLeaf() instanceof SwitchTree
                || path.getLeaf() instanceof SwitchExpressionTree).findFirst();
        return choice.map(path -> TreePaths.inner(new TreePath(path, TreePaths.chosenFrom(path.getLeaf()))))
                .filter(path -> code.type(path).filter(type -> type.getKind() == TypeKind.LONG
                        || type.getKind() == TypeKind.DOUBLE
                        || type.getKind() == TypeKind.FLOAT || type instanceof DeclaredType
                        && NamedTypes.is(type, "java.lang.Long")).isPresent())
                .map(path -> List.of(Fix.of("cast it to int", edits -> Conversion.cast(edits, path, "int"))))
                .orElse(List.of());
    }
}
