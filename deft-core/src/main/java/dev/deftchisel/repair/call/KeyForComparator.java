package dev.deftchisel.repair.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * {@code ships.sort(Ship::name)}: a comparator takes two values; what gives the key of one makes a comparator
 * (java.util.Comparator).
 */
public final class KeyForComparator implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("prob.found.req", "incompatible.types", "cant.apply.symbol", "cant.apply.symbols",
                "invalid.mref");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> call = site.around().stream().filter(path -> path.getLeaf() instanceof MethodInvocationTree
                || path.getLeaf() instanceof NewClassTree).findFirst();
        return call.stream().flatMap(path -> IntStream.range(0, Calls.arguments(path.getLeaf()).size())
                .filter(i -> isKey(path, i, code))
                .mapToObj(i -> Calls.arguments(path.getLeaf()).get(i))).map(key -> compared(key, code)).limit(1)
                .toList();
    }

    private static boolean isKey(TreePath call, int index, AttributedFile code) {
        ExpressionTree argument = Calls.arguments(call.getLeaf()).get(index);
        boolean takesOne = argument instanceof MemberReferenceTree || argument instanceof LambdaExpressionTree lambda
                && lambda.getParameters().size() == 1;
        int count = Calls.arguments(call.getLeaf()).size();
        return takesOne && new CallCandidates(code, call).all().stream()
                .anyMatch(method -> method.getParameters().size() == count
                && NamedTypes.is(method.getParameters().get(index).asType(), "java.util.Comparator"));
    }

    private static Fix compared(ExpressionTree key, AttributedFile code) {
        return Fix.of("compare by it", edits -> edits.replace(key,
                to -> to.write(edits.types().name(code.elements().getTypeElement("java.util.Comparator"))
                + ".comparing(").carry(code.range(key)).write(")")));
    }
}
