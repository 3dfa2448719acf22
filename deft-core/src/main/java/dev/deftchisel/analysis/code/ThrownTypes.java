package dev.deftchisel.analysis.code;

import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.UnionType;

/** The checked exceptions that code can end in (JLS 11.2). */
final class ThrownTypes extends TreePathScanner<Void, Void> {

    private final AttributedFile code;
    private final Map<Element, List<TypeMirror>> rethrown = new HashMap<>();
    private List<TypeMirror> thrown = new ArrayList<>();

    private ThrownTypes(AttributedFile code) {
        this.code = code;
    }

    /** Each of them once, none that is a subtype of another. */
    static List<TypeMirror> of(AttributedFile code, List<TreePath> parts) {
        ThrownTypes scanner = new ThrownTypes(code);
        parts.forEach(part -> scanner.scan(part, null));
        List<TypeMirror> checked = scanner.thrown.stream().filter(scanner::isChecked).toList();
        List<TypeMirror> widest = new ArrayList<>();
        for (TypeMirror type : checked) {
            boolean isCovered = widest.stream().anyMatch(known -> code.types().isSubtype(type, known));
            if (!isCovered) {
                widest.removeIf(known -> code.types().isSubtype(known, type));
                widest.add(type);
            }
        }
        return List.copyOf(widest);
    }

    private boolean isChecked(TypeMirror type) {
        return !isA(type, "java.lang.RuntimeException") && !isA(type, "java.lang.Error");
    }

    private boolean isA(TypeMirror type, String name) {
        TypeElement known = code.elements().getTypeElement(name);
        return known != null && code.types().isSubtype(type, known.asType());
    }

    @Override
    public Void visitMethodInvocation(MethodInvocationTree tree, Void unused) {
        code.type(new TreePath(getCurrentPath(), tree.getMethodSelect()))
                .filter(type -> type instanceof ExecutableType)
                .ifPresent(type -> thrown.addAll(((ExecutableType) type).getThrownTypes()));
        return super.visitMethodInvocation(tree, null);
    }

    @Override
    public Void visitNewClass(NewClassTree tree, Void unused) {
        code.element(getCurrentPath())
                .filter(element -> element instanceof ExecutableElement)
                .ifPresent(element -> thrown.addAll(((ExecutableElement) element).getThrownTypes()));
        return super.visitNewClass(tree, null);
    }

    @Override
    public Void visitThrow(ThrowTree tree, Void unused) {
        ExpressionTree value = tree.getExpression();
        TreePath path = new TreePath(getCurrentPath(), value);
        // what is caught and thrown again is no more than was thrown (JLS 11.2.2)
        List<TypeMirror> caught = code.element(path).map(rethrown::get).orElse(null);
        if (caught != null) {
            thrown.addAll(caught);
        } else {
            code.type(path).ifPresent(thrown::add);
        }
        return super.visitThrow(tree, null);
    }

    @Override
    public Void visitTry(TryTree tree, Void unused) {
        List<TypeMirror> outside = thrown;
        thrown = new ArrayList<>();
        tree.getResources().forEach(this::resource);
        scan(tree.getBlock(), null);
        List<TypeMirror> inside = thrown;
        thrown = outside;
        List<TypeMirror> caught = new ArrayList<>();
        for (CatchTree handler : tree.getCatches()) {
            TreePath parameter = new TreePath(new TreePath(getCurrentPath(), handler), handler.getParameter());
            List<TypeMirror> own = alternatives(code.type(parameter).stream().toList());
            code.element(parameter).ifPresent(element -> rethrown.put(element, inside.stream()
                    .filter(type -> isCovered(type, own) && !isCovered(type, caught))
                    .toList()));
            caught.addAll(own);
        }
        inside.stream().filter(type -> !isCovered(type, caught)).forEach(thrown::add);
        tree.getCatches().forEach(handler -> scan(handler, null));
        scan(tree.getFinallyBlock(), null);
        return null;
    }

    private void resource(Tree resource) {
        scan(resource, null);
        code.type(new TreePath(getCurrentPath(), resource))
                .filter(type -> type instanceof DeclaredType)
                .ifPresent(type -> code.elements().getAllMembers((TypeElement) ((DeclaredType) type).asElement())
                        .stream()
                        .filter(member -> member.getKind() == ElementKind.METHOD
                                && member.getSimpleName().contentEquals("close")
                                && ((ExecutableElement) member).getParameters().isEmpty())
                        .forEach(member -> thrown.addAll(((ExecutableType) code.types()
                                .asMemberOf((DeclaredType) type, member)).getThrownTypes())));
    }

    private static List<TypeMirror> alternatives(List<TypeMirror> types) {
        List<TypeMirror> all = new ArrayList<>();
        types.forEach(type -> all.addAll(type instanceof UnionType union ? union.getAlternatives() : List.of(type)));
        return all;
    }

    private boolean isCovered(TypeMirror type, List<TypeMirror> caught) {
        return caught.stream().anyMatch(known -> code.types().isSubtype(type, known));
    }

    @Override
    public Void visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
        return null;
    }

    @Override
    public Void visitClass(ClassTree tree, Void unused) {
        return null;
    }
}
