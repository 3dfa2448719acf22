package dev.deftchisel.repair.member;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.StatementLines;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.util.ElementFilter;

/** What is not open enough to be used where it is: it is opened, or an accessor is used (JLS 6.6). */
public final class InaccessibleMember implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("report.access", "not.def.public.cant.access", "not.def.public",
                "not.def.access.class.intf.cant.access");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> named = site.around().stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree
                        || path.getLeaf() instanceof NewClassTree)
                .findFirst();
        if (named.isEmpty()) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>();
        if (named.get().getLeaf() instanceof MemberSelectTree select) {
            accessor(named.get(), select, code).ifPresent(fixes::add);
            copy(named.get(), select, site).ifPresent(fixes::add);
        }
        Optional<TreePath> here = site.declaration(named.get()).or(() -> hidden(named.get(), site));
        if (here.isPresent()) {
            fixes.add(Fix.of("open it to its package", edits ->
                    ModifierWords.remove(edits, code.range(here.get().getLeaf()), "private")));
        } else {
            int end = code.range(named.get().getLeaf() instanceof NewClassTree made ? made.getIdentifier()
                    : named.get().getLeaf()).end();
            fixes.add(new Fix.Use("open it where it is declared", "open-access",
                    new Place(code.file().path(), new Range(end, end)),
                    Answers.none()));
        }
        return fixes;
    }

    /**
     * {@code chart.clone()}: a class that can be copied says so by a public method of its own (java.lang.Cloneable).
     */
    private static Optional<Fix> copy(TreePath path, MemberSelectTree select, ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TypeElement> type = code.type(new TreePath(path, select.getExpression()))
                .filter(known -> known instanceof DeclaredType)
                .map(known -> (TypeElement) ((DeclaredType) known).asElement())
                .filter(known -> code.isKind(known.asType(), code.elements().getTypeElement("java.lang.Cloneable")
                        .asType()));
        return type.filter(known -> select.getIdentifier().contentEquals("clone"))
                .flatMap(site.context().names()::declaration)
                .filter(found -> found.getLeaf() instanceof ClassTree).map(found -> {
                    String name = ((ClassTree) found.getLeaf()).getSimpleName().toString();
                    return Fix.of("let '" + name + "' have a public 'clone'",
                            edits -> StatementLines.memberAtEnd(edits, (ClassTree) found.getLeaf(), List.of("@Override",
                            "public " + name + " clone() throws CloneNotSupportedException {", Layout.of(code.file())
                            .unit() + "return (" + name + ") super.clone();", "}")));
                });
    }

    /** The member of the name in the type from which it is selected, which the compiler does not show. */
    private static Optional<TreePath> hidden(TreePath path, ErrorSite site) {
        if (!(path.getLeaf() instanceof MemberSelectTree select)) {
            return Optional.empty();
        }
        return site.code().type(new TreePath(path, select.getExpression()))
                .filter(type -> type instanceof DeclaredType)
                .flatMap(type -> ((DeclaredType) type).asElement().getEnclosedElements().stream()
                        .filter(member -> member.getSimpleName().equals(select.getIdentifier())).findFirst())
                .flatMap(site.context().names()::declaration);
    }

    /**
     * The method that returns the field, or takes a new value for it (JavaBeans 8.3, or by the name of the field).
     */
    private static Optional<Fix> accessor(TreePath path, MemberSelectTree select, AttributedFile code) {
        Optional<TypeElement> type = code.type(new TreePath(path, select.getExpression()))
                .filter(known -> known instanceof DeclaredType)
                .map(known -> (TypeElement) ((DeclaredType) known).asElement());
        if (type.isEmpty() || path.getParentPath().getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() == select) {
            return Optional.empty();
        }
        String name = select.getIdentifier().toString();
        String capital = Character.toUpperCase(name.charAt(0)) + name.substring(1);
        if (path.getParentPath().getLeaf() instanceof AssignmentTree assignment && assignment.getVariable() == select) {
            return method(type.get(), List.of("set" + capital, name), 1, code)
                    .map(setter -> Fix.of("call '" + setter + "'",
                    edits -> edits.replace(assignment, to -> to.carry(code.range(select.getExpression()))
                            .write("." + setter + "(")
                            .carry(code.range(assignment.getExpression())).write(")"))));
        }
        Range range = code.range(select);
        return method(type.get(), List.of("get" + capital, "is" + capital, name), 0, code)
                .map(getter -> Fix.of("call '" + getter + "'",
                edits -> edits.replace(new Range(range.end() - name.length(), range.end()), getter + "()")));
    }

    private static Optional<String> method(TypeElement type, List<String> names, int parameters, AttributedFile code) {
        return names.stream().filter(name -> ElementFilter.methodsIn(code.elements().getAllMembers(type)).stream()
                .anyMatch(method -> method.getSimpleName().contentEquals(name) && method.getParameters()
                        .size() == parameters
                        && !method.getModifiers().contains(Modifier.PRIVATE))).findFirst();
    }
}
