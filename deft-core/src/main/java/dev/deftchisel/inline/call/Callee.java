package dev.deftchisel.inline.call;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.MethodRelation;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.operation.Reason;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeKind;

/**
 * A method that gives way to what it does.
 *
 * @param code    the file it is declared in
 * @param path    its declaration
 * @param element the method
 * @param shape   what its body amounts to
 */
public record Callee(AttributedFile code, TreePath path, ExecutableElement element, BodyForm shape) {

    /** Why a recursive method stays. */
    public static final String CALLS_ITSELF = "the method calls itself";

    /** What a body amounts to. */
    sealed interface BodyForm permits SingleValue, ConditionalValue, Statements, SeveralExits, SingleExit {
    }

    /** One value. */
    record SingleValue(TreePath expression) implements BodyForm {
    }

    /** One of two, as a condition says. */
    record ConditionalValue(TreePath condition, BodyForm yes, BodyForm no) implements BodyForm {
    }

    /**
     * Statements, and then a value where there is one.
     *
     * @param statements without a {@code return} at the end
     * @param result     of the {@code return} at the end
     */
    record Statements(List<TreePath> statements, Optional<TreePath> result) implements BodyForm {
    }

    /** Statements that leave the body in several places. */
    record SeveralExits(List<TreePath> statements) implements BodyForm {
    }

    /** What {@link #of} finds: the method, or why it cannot be inlined anywhere. */
    public sealed interface CalleeResult {
    }

    /** The method. */
    public record Inlinable(Callee callee) implements CalleeResult {
    }

    /** Why not. */
    public record NotInlinable(Reason reason) implements CalleeResult {
    }

    public static CalleeResult of(Analysis analysis, Symbol method) {
        Optional<Binding> declared = analysis.declaration(method.key());
        Optional<AttributedFile> code = declared.flatMap(binding -> analysis.code(binding.file()));
        Optional<TreePath> path = code.flatMap(found -> found.declaration(declared.get().range())
                .filter(around -> around.getLeaf() instanceof MethodTree));
        if (path.isEmpty() || !(code.get().element(path.get()).orElse(null) instanceof ExecutableElement element)) {
            return new NotInlinable(Reason.of(method.isSource() ? "the method " + method.signature()
                    + " is there without being written (JLS 8.9.3, 8.10.3)"
                    : "the method " + method.signature() + " is not declared in the workspace"));
        }
        return objection(analysis, method, code.get(), path.get(), element)
                .map(sentence -> (CalleeResult) new NotInlinable(Reason.at(code.get().file().path(), declared.get()
                        .range(), sentence)))
                .orElseGet(() -> new Inlinable(new Callee(code.get(), path.get(), element,
                        shape(code.get(), element, path.get()))));
    }

    private static Optional<String> objection(
            Analysis analysis, Symbol method, AttributedFile code, TreePath path, ExecutableElement element) {
        MethodTree tree = (MethodTree) path.getLeaf();
        if (tree.getBody() == null) {
            return Optional.of("the method has no body");
        } else if (element.getModifiers().contains(Modifier.SYNCHRONIZED)) {
            return Optional.of("the method is synchronized, which the code in its place would not be");
        } else if (isOverridden(analysis, method)) {
            return Optional.of("the method is overridden, so that it is not certain which one a call means");
        } else if (names(code, path, method)) {
            return Optional.of(CALLS_ITSELF);
        }
        return Optional.empty();
    }

    private static boolean isOverridden(Analysis analysis, Symbol method) {
        if (method.isStatic() || method.isPrivate()) {
            return false;
        }
        return relations(analysis, method).stream()
                .anyMatch(pair -> pair.kind() == MethodRelation.Kind.OVERRIDES && pair.other().equals(method.key()));
    }

    private static Set<MethodRelation> relations(Analysis analysis, Symbol method) {
        Set<String> owners = method.owner().flatMap(analysis::symbol).map(Symbol::name).map(Set::of).orElse(Set.of());
        return analysis.methodRelations(Set.of(method.name()), owners);
    }

    /** Whether the method overrides or implements another, so that it cannot go. */
    public static boolean overrides(Analysis analysis, Symbol method) {
        return !method.isStatic() && !method.isPrivate() && relations(analysis, method).stream()
                .anyMatch(pair -> pair.isFamily() && (pair.method().equals(method.key()) || pair.other()
                        .equals(method.key())));
    }

    private static boolean names(AttributedFile code, TreePath path, Symbol method) {
        MethodTree tree = (MethodTree) path.getLeaf();
        boolean[] found = {false};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree name, Void unused) {
                found[0] |= is(getCurrentPath());
                return null;
            }

            @Override
            public Void visitMemberSelect(MemberSelectTree name, Void unused) {
                found[0] |= is(getCurrentPath());
                return super.visitMemberSelect(name, null);
            }

            private boolean is(TreePath name) {
                return code.element(name).filter(element -> element.getKind() == ElementKind.METHOD
                        && code.key(element).equals(method.key())).isPresent();
            }
        }.scan(new TreePath(path, tree.getBody()), null);
        return found[0];
    }

    /** Whether the body says {@code super}, which means the same only in the same class. */
    boolean saysSuper() {
        boolean[] found = {false};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree name, Void unused) {
                found[0] |= name.getName().contentEquals("super") && code.find(name).isPresent();
                return null;
            }
        }.scan(body(), null);
        return found[0];
    }

    private static BodyForm shape(AttributedFile code, ExecutableElement element, TreePath method) {
        BlockTree body = ((MethodTree) method.getLeaf()).getBody();
        TreePath bodyPath = new TreePath(method, body);
        List<TreePath> all = body.getStatements().stream().map(statement -> new TreePath(bodyPath, statement)).toList();
        // what a condition chooses from has one type only where all agree (JLS 15.25)
        Optional<BodyForm> value = value(all).filter(shape -> shape instanceof SingleValue
                || isOfType(code, element, shape));
        if (value.isPresent()) {
            return value.get();
        }
        List<Jumps.Jump> jumps = Jumps.leaving(all);
        boolean endsInReturn = !all.isEmpty() && all.get(all.size() - 1).getLeaf() instanceof ReturnTree;
        if (jumps.size() > (endsInReturn ? 1 : 0)) {
            return new SeveralExits(all);
        } else if (!endsInReturn) {
            return new Statements(all, Optional.empty());
        }
        TreePath last = all.get(all.size() - 1);
        ExpressionTree result = ((ReturnTree) last.getLeaf()).getExpression();
        return new Statements(all.subList(0, all.size() - 1), Optional.ofNullable(result)
                .map(tree -> new TreePath(last, tree)));
    }

    private static boolean isOfType(AttributedFile code, ExecutableElement element, BodyForm shape) {
        if (shape instanceof ConditionalValue choice) {
            return isOfType(code, element, choice.yes()) && isOfType(code, element, choice.no());
        }
        return code.type(((SingleValue) shape).expression())
                .filter(type -> code.types().isSameType(type, element.getReturnType())).isPresent();
    }

    /** The value that statements return, when they do nothing but choose one. */
    private static Optional<BodyForm> value(List<TreePath> statements) {
        if (statements.isEmpty()) {
            return Optional.empty();
        }
        TreePath first = statements.get(0);
        if (first.getLeaf() instanceof ReturnTree result) {
            return statements.size() == 1 && result.getExpression() != null
                    ? Optional.of(new SingleValue(new TreePath(first, result.getExpression())))
                    : Optional.empty();
        }
        if (!(first.getLeaf() instanceof IfTree choice)) {
            return Optional.empty();
        }
        boolean hasElse = choice.getElseStatement() != null;
        Optional<BodyForm> yes = value(inner(first, choice.getThenStatement()));
        Optional<BodyForm> no;
        if (!hasElse) {
            no = value(statements.subList(1, statements.size()));
        } else if (statements.size() == 1) {
            no = value(inner(first, choice.getElseStatement()));
        } else {
            no = Optional.empty();
        }
        TreePath parentheses = new TreePath(first, choice.getCondition());
        ExpressionTree condition = ((ParenthesizedTree) choice.getCondition()).getExpression();
        return yes.isPresent() && no.isPresent()
                ? Optional.of(new ConditionalValue(new TreePath(parentheses, condition), yes.get(), no.get()))
                : Optional.empty();
    }

    static List<TreePath> inner(TreePath choice, StatementTree branch) {
        TreePath path = new TreePath(choice, branch);
        return branch instanceof BlockTree block
                ? block.getStatements().stream().map(statement -> new TreePath(path, statement)).toList()
                : List.of(path);
    }

    /** Whether calling it from elsewhere may run a static initialiser of its class first (JLS 12.4.1). */
    boolean initialisesClass() {
        return isStatic() && ((ClassTree) path.getParentPath().getLeaf()).getMembers().stream()
                .anyMatch(member -> member instanceof BlockTree block && block.isStatic());
    }

    /** The same, in another shape. */
    Callee as(BodyForm other) {
        return new Callee(code, path, element, other);
    }

    /** What is written as statements. */
    List<TreePath> statements() {
        if (shape instanceof Statements simple) {
            return simple.statements();
        }
        if (shape instanceof SeveralExits several) {
            return several.statements();
        }
        return shape instanceof SingleExit ? List.of(body()) : List.of();
    }

    /** The same, whose choice is left as it is: nothing follows, so that each {@code return} may stay. */
    Callee asStatements() {
        List<TreePath> all = tree().getBody().getStatements().stream()
                .map(statement -> new TreePath(body(), statement)).toList();
        return new Callee(code, path, element, new SeveralExits(all));
    }

    public MethodTree tree() {
        return (MethodTree) path.getLeaf();
    }

    TreePath body() {
        return new TreePath(path, tree().getBody());
    }

    boolean isStatic() {
        return element.getModifiers().contains(Modifier.STATIC);
    }

    boolean isVoid() {
        return element.getReturnType().getKind() == TypeKind.VOID;
    }

    TypeElement owner() {
        return (TypeElement) element.getEnclosingElement();
    }
}
