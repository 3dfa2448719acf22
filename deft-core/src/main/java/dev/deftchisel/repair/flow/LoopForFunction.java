package dev.deftchisel.repair.flow;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;

/**
 * {@code names.forEach(n -> { return true; })}: only from a loop one can return out of the method, or break (JLS 14.17,
 * 15.27.2).
 */
public final class LoopForFunction implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("prob.found.req", "incompatible.types", "break.outside.switch.loop", "cont.outside.loop");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        boolean isOfFunction = site.id().startsWith("break") || site.id().startsWith("cont") || site.error().message()
                .contains("unexpected return value");
        Optional<TreePath> lambda = site.nearest(LambdaExpressionTree.class);
        if (!isOfFunction || lambda.isEmpty() || !(((LambdaExpressionTree) lambda.get().getLeaf())
                .getBody() instanceof BlockTree body)
                || ((LambdaExpressionTree) lambda.get().getLeaf()).getParameters().size() != 1) {
            return List.of();
        }
        TreePath call = lambda.get().getParentPath();
        boolean isLoop = call.getLeaf() instanceof MethodInvocationTree tree
                && tree.getMethodSelect() instanceof MemberSelectTree select
                && select.getIdentifier().contentEquals("forEach") && tree.getArguments().size() == 1
                && call.getParentPath().getLeaf() instanceof ExpressionStatementTree
                && code.type(new TreePath(new TreePath(call, select), select.getExpression()))
                .filter(type -> code.isKind(type, code.elements().getTypeElement("java.lang.Iterable").asType()))
                .isPresent();
        if (!isLoop) {
            return List.of();
        }
        VariableTree parameter = ((LambdaExpressionTree) lambda.get().getLeaf()).getParameters().get(0);
        Range collection = code.range(((MemberSelectTree) ((MethodInvocationTree) call.getLeaf()).getMethodSelect())
                .getExpression());
        return List.of(Fix.of("make a loop of it", edits -> {
            String type = code.element(new TreePath(lambda.get(), parameter)).map(Element::asType)
                    .flatMap(edits.types()::write).orElse("var");
            edits.replace(call.getParentPath().getLeaf(),
                    to -> to.write("for (" + type + " " + parameter.getName() + " : ").carry(collection).write(") ")
                    .carry(code.range(body)));
        }));
    }
}
