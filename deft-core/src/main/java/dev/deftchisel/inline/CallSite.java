package dev.deftchisel.inline;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Effects;
import dev.deftchisel.analysis.Jumps;
import dev.deftchisel.analysis.Occurrence;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Home;
import dev.deftchisel.rewrite.HomeFinder;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;

/**
 * One call of a method that is to give way to what the method does.
 *
 * @param code   the file of the call
 * @param path   the call
 * @param callee the method
 * @param object what it is called on, where that is written and is an object
 * @param handed the arguments
 */
record CallSite(Code code, TreePath path, Callee callee, Optional<Handed> object, List<Handed> handed) {

    static CallSite of(Analysis analysis, Code code, TreePath path, Callee callee) {
        MethodInvocationTree tree = (MethodInvocationTree) path.getLeaf();
        List<Occurrence> occurrences = callee.code().occurrences(callee.body());
        Optional<ExecutableType> types = type(code, path);
        List<Handed> handed = new ArrayList<>();
        for (int i = 0; i < tree.getArguments().size(); i++) {
            int index = i;
            VariableElement parameter = callee.element().getParameters().get(i);
            List<Occurrence> own = occurrences.stream()
                    .filter(one -> one.variable().equals(parameter) && one.access() != Occurrence.Access.DECLARED).toList();
            handed.add(new Handed(Optional.of(parameter.getSimpleName().toString()), new TreePath(path, tree.getArguments().get(i)),
                    types.map(type -> (TypeMirror) type.getParameterTypes().get(index)).orElse(parameter.asType()), parameter.asType(),
                    own.stream().map(Occurrence::path).toList(), own.stream().anyMatch(Occurrence::isWritten)));
        }
        CallSite site = new CallSite(code, path, callee, object(code, path, tree, callee), handed);
        boolean isHandedOn = callee.shape() instanceof Callee.Choice && site.isLast();
        return isHandedOn ? new CallSite(code, path, callee.asStatements(), site.object(), handed) : site;
    }

    /** The type of the method with the type arguments of the call (JLS 15.12.2.6). */
    private static Optional<ExecutableType> type(Code code, TreePath path) {
        return code.type(new TreePath(path, ((MethodInvocationTree) path.getLeaf()).getMethodSelect()))
                .filter(type -> type instanceof ExecutableType)
                .map(type -> (ExecutableType) type);
    }

    /** What the call gives, with its type arguments. */
    TypeMirror result() {
        return type(code, path).map(ExecutableType::getReturnType).orElse(callee.element().getReturnType());
    }

    private static Optional<Handed> object(Code code, TreePath path, MethodInvocationTree tree, Callee callee) {
        if (callee.isStatic() || !(tree.getMethodSelect() instanceof MemberSelectTree select)
                || select.getExpression() instanceof IdentifierTree name && name.getName().contentEquals("super")) {
            return Optional.empty();
        }
        TreePath object = new TreePath(new TreePath(path, select), select.getExpression());
        return Optional.of(new Handed(Optional.empty(), object,
                code.type(object).orElse(callee.owner().asType()), callee.owner().asType(), usesOfThis(callee), false));
    }

    /** Where the body needs its object: {@code this}, and members by their simple names. */
    private static List<TreePath> usesOfThis(Callee callee) {
        Code code = callee.code();
        List<TreePath> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                code.element(getCurrentPath())
                        .filter(element -> element.getKind().isField() || element.getKind() == ElementKind.METHOD)
                        .filter(element -> !element.getModifiers().contains(Modifier.STATIC) && code.find(tree).isPresent())
                        .ifPresent(element -> found.add(getCurrentPath()));
                return null;
            }
        }.scan(callee.body(), null);
        return List.copyOf(found);
    }

    MethodInvocationTree tree() {
        return (MethodInvocationTree) path.getLeaf();
    }

    /** Object and arguments, in the order in which they are evaluated. */
    List<Handed> all() {
        List<Handed> all = new ArrayList<>(object.stream().toList());
        all.addAll(handed);
        return all;
    }

    Handed.Way way(Analysis analysis, Handed one) {
        Handed.Way way = one.isSet() && isSpent(one) ? Handed.Way.WRITTEN : one.way(analysis, code, callee, all());
        // arguments are evaluated before a null that is called on is found (JLS 15.12.4.4), the body finds it earlier
        boolean isBeforeNull = one.name().isPresent() && object.filter(own -> !own.isNeverNull()).isPresent()
                && !code.effects(one.value()).isPure();
        return way == Handed.Way.WRITTEN && isBeforeNull ? Handed.Way.VARIABLE : way;
    }

    /** Whether an argument is a variable that nobody needs behind the call, so that the method may change it. */
    private boolean isSpent(Handed one) {
        Optional<VariableElement> variable = code.element(one.value())
                .filter(element -> element instanceof VariableElement && !element.getKind().isField()
                        && !element.getModifiers().contains(Modifier.FINAL)
                        && code.types().isSameType(element.asType(), one.declared()))
                .map(element -> (VariableElement) element);
        if (variable.isEmpty() || !(one.tree() instanceof IdentifierTree)) {
            return false;
        }
        List<Occurrence> all = code.occurrences(wholeMember()).stream()
                .filter(found -> found.variable().equals(variable.get())).toList();
        int end = range().end();
        boolean isUsedBehind = all.stream().anyMatch(found -> found.offset() >= end);
        boolean isAnotherArgument = all.stream().filter(found -> range().contains(found.offset())).count() > 1;
        int declared = all.isEmpty() ? 0 : all.get(0).offset();
        for (TreePath at = path; at != null && !isUsedBehind; at = at.getParentPath()) {
            Tree tree = at.getLeaf();
            boolean isRepeated = Jumps.isLoop(tree) || tree instanceof LambdaExpressionTree || tree instanceof ClassTree;
            isUsedBehind = isRepeated && code.range(tree).start() > declared;
        }
        return !isUsedBehind && !isAnotherArgument && all.stream().noneMatch(found -> isCaptured(found, declared));
    }

    /** Whether a variable is used in a lambda or class that it is declared outside of. */
    private boolean isCaptured(Occurrence found, int declared) {
        for (TreePath at = found.path(); at != null; at = at.getParentPath()) {
            if ((at.getLeaf() instanceof LambdaExpressionTree || at.getLeaf() instanceof ClassTree)
                    && code.range(at.getLeaf()).start() > declared) {
                return true;
            }
        }
        return false;
    }

    List<Handed> variables(Analysis analysis) {
        return all().stream().filter(one -> way(analysis, one) == Handed.Way.VARIABLE).toList();
    }

    /** The statement that the call is all of. */
    Optional<TreePath> ownStatement() {
        TreePath parent = path.getParentPath();
        return parent.getLeaf() instanceof ExpressionStatementTree ? Optional.of(parent) : Optional.empty();
    }

    /** The statement {@code return call();}. */
    Optional<TreePath> returnStatement() {
        TreePath parent = path.getParentPath();
        return parent.getLeaf() instanceof ReturnTree ? Optional.of(parent) : Optional.empty();
    }

    /** Whether something must be written before the statement of the call. */
    boolean needsStatement(Analysis analysis) {
        boolean isValue = callee.shape() instanceof Callee.Value || callee.shape() instanceof Callee.Choice;
        return !isValue || !variables(analysis).isEmpty();
    }

    /** Where what comes before the call goes. */
    Home home(Analysis analysis) {
        Effects effects = variables(analysis).stream().map(one -> code.effects(one.value()))
                .reduce(Effects.NONE, Effects::and);
        if (callee.shape() instanceof Callee.Statements statements) {
            effects = statements.statements().stream().map(callee.code()::effects).reduce(effects, Effects::and);
        }
        return new HomeFinder(code, effects).find(path);
    }

    /** What is in the way; empty when nothing is. */
    Optional<Reason> objection(Analysis analysis) {
        if (!code.sharesTypesWith(callee.code())) {
            return reason("the call is in a part of the workspace that is compiled apart from the method");
        } else if (callee.saysSuper() && (object.isPresent() || !code.enclosingType(path).equals(Optional.of(callee.owner())))) {
            return reason("the method says 'super', which means another class here");
        } else if (isOfSuper()) {
            return reason("it is called on 'super', which says another class here");
        } else if (object.isPresent() && !object.get().isMissedAlike(callee)) {
            return reason("'" + code.shown(code.range(object.get().tree()), 40)
                    + "' may be null, which the call finds out and the code in its place would not");
        } else if (callee.initialisesClass() && !isWithin(callee.owner())) {
            return reason("calling it runs the static initialiser of " + callee.owner().getSimpleName()
                    + " first, which the code in its place would not");
        } else if (isStaticOnObject()) {
            return reason("a static method is called on an object, which would no longer be evaluated");
        }
        return orderObjection(analysis).or(() -> placeObjection(analysis));
    }

    /** Whether the call stands in a class, whose initialisation has begun then. */
    private boolean isWithin(TypeElement type) {
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof ClassTree && code.element(at).filter(type::equals).isPresent()) {
                return true;
            }
        }
        return false;
    }

    private boolean isOfSuper() {
        return tree().getMethodSelect() instanceof MemberSelectTree select
                && select.getExpression().toString().matches("(.*\\.)?super");
    }

    private boolean isStaticOnObject() {
        return callee.isStatic() && tree().getMethodSelect() instanceof MemberSelectTree select
                && code.element(new TreePath(new TreePath(path, select), select.getExpression()))
                .filter(element -> element instanceof TypeElement).isEmpty();
    }

    /** What is written where the body needs it is evaluated after the variables, and in the order of its uses. */
    private Optional<Reason> orderObjection(Analysis analysis) {
        List<Handed> all = all();
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j < all.size(); j++) {
                Handed one = all.get(i);
                Handed later = all.get(j);
                boolean isWritten = way(analysis, one) == Handed.Way.WRITTEN;
                boolean isTurned = isWritten && (way(analysis, later) == Handed.Way.VARIABLE
                        || way(analysis, later) == Handed.Way.WRITTEN && start(later) < start(one));
                if (isTurned && !one.commutesWith(later, code)) {
                    return Optional.of(Reason.at(code.file().path(), code.range(later.tree()),
                            "it would be evaluated before '" + code.shown(code.range(one.tree()), 40)
                                    + "', and the order can matter"));
                }
            }
        }
        return Optional.empty();
    }

    private int start(Handed one) {
        return callee.code().range(one.uses().get(0).getLeaf()).start();
    }

    private Optional<Reason> placeObjection(Analysis analysis) {
        if (callee.shape() instanceof Callee.Several) {
            return isLast() ? Optional.empty()
                    : reason("the method returns in several places, and something follows the call");
        } else if (ownStatement().isPresent() && callee.shape() instanceof Callee.Statements simple
                && simple.statements().isEmpty() && variables(analysis).isEmpty() && simple.result().isEmpty()) {
            return reason("the method does nothing, so that nothing would be left of the call");
        } else if (!needsStatement(analysis)) {
            return ownStatement().isPresent() && !isStatement() ? reason("its value is not used here, and is no statement by itself")
                    : Optional.empty();
        }
        boolean hasNoValue = callee.shape() instanceof Callee.Statements simple && simple.result().isEmpty();
        if (hasNoValue && ownStatement().isEmpty()) {
            return reason(callee.isVoid()
                    ? "there is no block here for the statements of the method; put braces around it first"
                    : "the method never hands back a value, which is needed here");
        }
        Home home = home(analysis);
        if (home instanceof Home.Nowhere nowhere) {
            return Optional.of(Reason.at(code.file().path(), nowhere.at(), nowhere.sentence()));
        } else if (!(home instanceof Home.Before)) {
            return reason("there is no block here for the statements of the method; put braces around it first");
        }
        boolean isDropped = ownStatement().isPresent() && callee.shape() instanceof Callee.Statements statements
                && statements.result().filter(result -> !isStatement(result.getLeaf())
                        && !callee.code().effects(result).isPure()).isPresent();
        return isDropped ? reason("its value is not used here, and is no statement by itself") : Optional.empty();
    }

    private boolean isStatement() {
        return callee.shape() instanceof Callee.Value value && isStatement(value.expression().getLeaf());
    }

    /** Whether an expression can be a statement (JLS 14.8). */
    static boolean isStatement(Tree tree) {
        return switch (tree.getKind()) {
            case METHOD_INVOCATION, NEW_CLASS, ASSIGNMENT, PREFIX_INCREMENT, PREFIX_DECREMENT, POSTFIX_INCREMENT,
                POSTFIX_DECREMENT -> true;
            default -> tree.getKind().name().endsWith("_ASSIGNMENT");
        };
    }

    /** Whether what leaves the method may as well leave the code of the call: nothing follows, and the result is handed on. */
    private boolean isLast() {
        Optional<Element> around = member().flatMap(member -> code.element(member));
        if (returnStatement().isPresent() && !callee.isVoid()) {
            return isInList(returnStatement().get()) && around.filter(element -> element instanceof ExecutableElement method
                    && code.types().isSameType(method.getReturnType(), callee.element().getReturnType())).isPresent();
        }
        return callee.isVoid() && ownStatement().filter(this::isInList).filter(this::endsMethod).isPresent();
    }

    private boolean isInList(TreePath statement) {
        return Code.statements(statement.getParentPath().getLeaf()).contains((StatementTree) statement.getLeaf());
    }

    private boolean endsMethod(TreePath statement) {
        return statement.getParentPath().getLeaf() instanceof BlockTree block
                && block.getStatements().indexOf((StatementTree) statement.getLeaf()) == block.getStatements().size() - 1
                && statement.getParentPath().getParentPath().getLeaf() instanceof MethodTree;
    }

    /** The method around the call; empty within a lambda or initialiser. */
    private Optional<TreePath> member() {
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            Tree tree = at.getLeaf();
            if (tree instanceof LambdaExpressionTree || tree instanceof ClassTree) {
                return Optional.empty();
            } else if (tree instanceof MethodTree) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }

    /** The member of a class that the call stands in. */
    TreePath wholeMember() {
        TreePath member = path;
        for (TreePath at = path; at.getParentPath() != null; at = at.getParentPath()) {
            boolean isMember = at.getParentPath().getLeaf() instanceof ClassTree
                    && (at.getLeaf() instanceof MethodTree || at.getLeaf() instanceof VariableTree || at.getLeaf() instanceof BlockTree);
            member = isMember ? at : member;
        }
        return member;
    }

    Range range() {
        return code.range(path.getLeaf());
    }

    Optional<Reason> reason(String sentence) {
        return Optional.of(Reason.at(code.file().path(), range(), sentence));
    }
}
