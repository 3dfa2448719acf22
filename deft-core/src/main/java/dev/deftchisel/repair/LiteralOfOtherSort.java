package dev.deftchisel.repair;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.source.Range;
import java.util.List;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** A literal of another sort than its place asks for (JLS 3.10): quotation marks, a suffix, a fraction. */
public final class LiteralOfOtherSort {

    private LiteralOfOtherSort() {
    }

    /** A literal of another sort. */
    public static List<Fix> literal(TreePath path, TypeMirror wanted, AttributedFile code) {
        if (!(path.getLeaf() instanceof LiteralTree literal)) {
            return List.of();
        }
        Range range = code.range(literal);
        String text = code.text(range);
        boolean isLong = wanted.getKind() == TypeKind.LONG || NamedTypes.is(wanted, "java.lang.Long");
        boolean isFloat = wanted.getKind() == TypeKind.FLOAT || NamedTypes.is(wanted, "java.lang.Float");
        boolean isDouble = wanted.getKind() == TypeKind.DOUBLE || NamedTypes.is(wanted, "java.lang.Double");
        boolean isChar = wanted.getKind() == TypeKind.CHAR || NamedTypes.is(wanted, "java.lang.Character");
        boolean isText = NamedTypes.is(wanted, "java.lang.String");
        return switch (literal.getKind()) {
            case STRING_LITERAL -> isChar && String.valueOf(literal.getValue()).length() == 1
                    ? List.of(letters(path, code))
                    : wanted.getKind() == TypeKind.INT && String.valueOf(literal.getValue()).matches("-?\\d{1,9}")
                            && CaseLabels.branch(path).getLeaf() instanceof CaseTree ? List.of(numberLabels(path, code))
                            : List.of();
            case CHAR_LITERAL -> isText
                    ? List.of(write(range, "\"" + text.substring(1, text.length() - 1).replace("\"", "\\\"") + "\""))
                    : List.of();
            case INT_LITERAL -> isLong ? List.of(write(range, text + "L")) : isDouble
                    ? List.of(write(range, text + ".0"))
                    : isFloat ? List.of(write(range, text + "f")) : isText ? List.of(write(range, "\"" + text + "\""))
                    : List.of();
            case DOUBLE_LITERAL -> isWhole(literal) && (wanted.getKind() == TypeKind.INT
                    || wanted.getKind() == TypeKind.LONG)
                    ? List.of(write(range, String.valueOf(((Double) literal.getValue()).longValue()))) : isFloat
                    ? List.of(write(range, text.replaceFirst("[dD]$", "") + "f")) : List.of();
            case NULL_LITERAL -> wanted.getKind().isPrimitive() ? List.of(write(range, DefaultValues.of(wanted)))
                    : List.of();
            default -> List.of();
        };
    }

    private static boolean isWhole(LiteralTree literal) {
        return literal.getValue() instanceof Double number && number == Math.rint(number)
                && Math.abs(number) < Integer.MAX_VALUE;
    }

    /** A string of one letter as a character, with all others among the labels of the same switch. */
    private static Fix letters(TreePath path, AttributedFile code) {
        TreePath choice = CaseLabels.branch(path).getParentPath();
        List<Tree> all = choice.getLeaf() instanceof SwitchTree || choice.getLeaf() instanceof SwitchExpressionTree
                ? TreePaths.cases(choice.getLeaf()).stream()
                .flatMap(one -> one.getExpressions().stream())
                .filter(label -> label instanceof LiteralTree literal && literal.getValue() instanceof String one
                        && one.length() == 1).map(label -> (Tree) label).toList() : List.of(path.getLeaf());
        return Fix.of(all.size() > 1 ? "write characters" : "write " + letter(path.getLeaf(), code),
                edits -> all.forEach(one -> edits.replace(code.range(one), letter(one, code))));
    }

    /** Labels that are numbers in quotation marks, all of the switch. */
    private static Fix numberLabels(TreePath path, AttributedFile code) {
        List<Tree> all = TreePaths.cases(CaseLabels.branch(path).getParentPath().getLeaf()).stream()
                .flatMap(one -> one.getExpressions().stream())
                .filter(label -> label instanceof LiteralTree literal && literal.getValue() instanceof String text
                        && text.matches("-?\\d{1,9}"))
                .map(label -> (Tree) label).toList();
        return Fix.of(all.size() > 1 ? "write numbers" : "write " + ((LiteralTree) path.getLeaf()).getValue(),
                edits -> all.forEach(one -> edits.replace(code.range(one),
                        String.valueOf(((LiteralTree) one).getValue()))));
    }

    private static String letter(Tree string, AttributedFile code) {
        String text = code.text(string);
        return "'" + text.substring(1, text.length() - 1).replace("'", "\\'").replace("\\\"", "\"") + "'";
    }

    private static Fix write(Range range, String text) {
        return Fix.of("write " + text, edits -> edits.replace(range, text));
    }
}
