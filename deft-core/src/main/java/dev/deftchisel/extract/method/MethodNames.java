package dev.deftchisel.extract.method;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.extract.flow.Flow;
import dev.deftchisel.extract.flow.Fragment;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/**
 * Good names for a method: after the value it computes, or what it calls. None is one that stands in the file already.
 */
final class MethodNames {

    private final AttributedFile code;

    MethodNames(AttributedFile code) {
        this.code = code;
    }

    /** At least one name, best first. */
    List<String> of(Fragment fragment, Flow flow) {
        Set<String> wishes = new LinkedHashSet<>();
        fragment.expression().ifPresent(selected -> {
            boolean isCondition = code.type(selected.path()).filter(type -> type.getKind() == TypeKind.BOOLEAN)
                    .isPresent();
            new NameProposals(code).of(selected.path()).forEach(name ->
                    wishes.add((isCondition ? "is" : "compute") + capitalised(name)));
        });
        if (!fragment.isExpression()) {
            flow.outputs().stream().limit(1).forEach(output -> wishes.add("compute" + capitalised(output.name())));
            called(fragment).forEach(name -> wishes.add("do" + capitalised(name)));
        }
        wishes.add("extracted");
        List<String> free = new ArrayList<>();
        wishes.forEach(wish -> free.add(NewName.free(code.tokens().names(), wish)));
        return free;
    }

    private static List<String> called(Fragment fragment) {
        List<String> names = new ArrayList<>();
        for (TreePath part : fragment.parts()) {
            new TreePathScanner<Void, Void>() {
                @Override
                public Void visitMethodInvocation(MethodInvocationTree tree, Void unused) {
                    ExpressionTree method = tree.getMethodSelect();
                    String name;
                    if (method instanceof MemberSelectTree select) {
                        name = select.getIdentifier().toString();
                    } else if (method instanceof IdentifierTree simple) {
                        name = simple.getName().toString();
                    } else {
                        name = "";
                    }
                    if (!name.isEmpty()) {
                        names.add(name);
                    }
                    return super.visitMethodInvocation(tree, null);
                }
            }.scan(part, null);
        }
        return names.stream().distinct().limit(3).toList();
    }

    private static String capitalised(String name) {
        return name.isEmpty() ? name : Character.toUpperCase(name.charAt(0)) + name.substring(1);
    }
}
