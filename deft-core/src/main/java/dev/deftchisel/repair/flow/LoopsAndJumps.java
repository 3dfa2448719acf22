package dev.deftchisel.repair.flow;

import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeMirror;

/** Loops over what cannot be walked through, and jumps with nothing to leave (JLS 14.14 to 14.21). */
public final class LoopsAndJumps implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("foreach.not.applicable.to.type", "return.outside.switch.expression",
                "break.outside.switch.loop", "cont.outside.loop");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        return switch (site.id()) {
            case "foreach.not.applicable.to.type" -> site.nearest(EnhancedForLoopTree.class)
                    .map(path -> loop(path, code)).orElse(List.of());
            case "return.outside.switch.expression" -> site.nearest(ReturnTree.class)
                    .map(path -> code.range(path.getLeaf()).start())
                    .map(start -> List.of(Fix.of("write 'yield'",
                            edits -> edits.replace(new Range(start, start + "return".length()), "yield"))))
                    .orElse(List.of());
            default -> jump(site);
        };
    }

    /** A loop over a number, the characters of a text, or a stream. */
    private static List<Fix> loop(TreePath path, AttributedFile code) {
        EnhancedForLoopTree loop = (EnhancedForLoopTree) path.getLeaf();
        Optional<TypeMirror> type = code.type(new TreePath(path, loop.getExpression()));
        Range source = code.range(loop.getExpression());
        String name = loop.getVariable().getName().toString();
        List<Fix> fixes = new ArrayList<>();
        if (type.filter(known -> known.getKind().isPrimitive()).isPresent()) {
            Range header = new Range(code.range(loop.getVariable()).start(), source.end());
            fixes.add(Fix.of("count up to it", edits -> edits.replace(header, code.text(loop.getVariable().getType())
                    + " " + name + " = 0; " + name
                    + " < " + code.text(source) + "; " + name + "++")));
        } else if (type.filter(known -> NamedTypes.is(known, "java.lang.String")).isPresent()) {
            boolean isWords = code.text(loop.getVariable().getType()).equals("String");
            fixes.add(Fix.of(isWords ? "go over its parts" : "go over its characters",
                    edits -> edits.insert(source.end(), isWords ? ".split(\"\")" : ".toCharArray()")));
        } else if (type.filter(known -> NamedTypes.is(known, "java.util.stream.Stream")).isPresent()) {
            fixes.add(Fix.of("go over its elements",
                    edits -> edits.insert(source.end(), code.file().module().level() >= 16 ? ".toList()"
                    : ".collect(java.util.stream.Collectors.toList())")));
        } else if (type.filter(known -> NamedTypes.is(known, "java.util.stream.IntStream")).isPresent()) {
            fixes.add(Fix.of("go over its elements", edits -> edits.insert(source.end(), ".toArray()")));
        } else if (type.filter(known -> NamedTypes.is(known, "java.util.Iterator")).isPresent()) {
            fixes.add(Fix.of("go on while it has another",
                    edits -> edits.replace(source, "() -> " + code.text(source))));
        } else if (type.filter(known -> NamedTypes.is(known, "java.util.Optional")).isPresent()) {
            fixes.add(Fix.of("go over what it holds", edits -> edits.insert(source.end(), ".stream().toList()")));
        }
        return fixes;
    }

    /** {@code break} where nothing can be left but the method. */
    private static List<Fix> jump(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> statement = site.around().stream().filter(path -> path.getLeaf().getKind() == Tree.Kind.BREAK
                || path.getLeaf().getKind() == Tree.Kind.CONTINUE).findFirst();
        boolean isVoid = site.nearest(MethodTree.class)
                .filter(path -> ((MethodTree) path.getLeaf()).getReturnType() == null
                || code.text(((MethodTree) path.getLeaf()).getReturnType()).equals("void")).isPresent();
        return statement.filter(path -> isVoid || TreePaths.leadsThrough(path, null,
                tree -> tree instanceof LambdaExpressionTree))
                .map(path -> List.of(Fix.of("write 'return'",
                        edits -> edits.replace(code.range(path.getLeaf()), "return;")))).orElse(List.of());
    }
}
