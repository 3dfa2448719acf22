package dev.deftchisel.guard.comparison;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.ObjectUses;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Compares the object that a method is called on with what is passed for its parameter, where one becomes the other: at
 * each call it is the same, and the body does the same with it in the same order.
 */
final class PassedObject {

    private final Analysis before;
    private final Analysis after;
    private final Mapping mapping;
    private final ExecutableElement method;
    private final NewSignature signature;
    private final SymbolKey key;

    /** @param method before the change */
    PassedObject(Analysis before, Analysis after, Mapping mapping, ExecutableElement method,
            NewSignature signature) {
        this.before = before;
        this.after = after;
        this.mapping = mapping;
        this.method = method;
        this.signature = signature;
        this.key = before.key(method);
    }

    private boolean becomesStatic() {
        return signature.object() instanceof NewSignature.CalledOn.Nothing;
    }

    private boolean isMoved() {
        return !(signature.object() instanceof NewSignature.CalledOn.Same);
    }

    /** Whether a method is static afterwards when it should be, and its body uses the object as it did. */
    boolean isAnnounced(ExecutableElement now) {
        boolean isStatic = now.getModifiers().contains(Modifier.STATIC);
        boolean wasStatic = method.getModifiers().contains(Modifier.STATIC);
        if (!isMoved()) {
            return isStatic == wasStatic;
        }
        boolean isTurned = isStatic == becomesStatic() && wasStatic != isStatic;
        return isTurned && uses(before, key, method, wasStatic ? signature.objectParameter() : Optional.empty())
                .equals(uses(after, mapping.key(key), now, isStatic ? position() : Optional.empty()));
    }

    /** The parameter that gets the object. */
    private Optional<Integer> position() {
        int index = signature.origins().orElse(List.of()).indexOf(NewSignature.OBJECT);
        return index < 0 ? Optional.empty() : Optional.of(index);
    }

    /** What is done with the object, or with a parameter, but for passing it on to the method itself. */
    private static List<String> uses(Analysis analysis, SymbolKey key, ExecutableElement method,
            Optional<Integer> parameter) {
        Optional<AttributedFile> code = analysis.declaration(key).flatMap(declared -> analysis.code(declared.file()));
        Optional<TreePath> body = code.flatMap(file -> file.declaration(analysis.declaration(key).orElseThrow()
                .range())).filter(path -> ((MethodTree) path.getLeaf()).getBody() != null)
                .map(path -> new TreePath(path, ((MethodTree) path.getLeaf()).getBody()));
        if (body.isEmpty()) {
            return List.of();
        } else if (parameter.isPresent()) {
            Element variable = method.getParameters().get(parameter.get());
            return code.get().occurrences(body.get()).stream().filter(one -> one.variable().equals(variable))
                    .map(Occurrence::path).filter(path -> !isPassedOn(code.get(), path, method, parameter))
                    .map(PassedObject::followed).toList();
        }
        return ObjectUses.of(code.get(), body.get(), (TypeElement) method.getEnclosingElement()).stream()
                .filter(use -> !isPassedOn(code.get(), use.path(), method, parameter))
                .map(use -> switch (use.form()) {
                    case SAID -> followed(use.path());
                    case IMPLIED -> "." + use.path().getLeaf();
                    case BOUND -> use.form() + followed(use.path());
                }).toList();
    }

    private static String followed(TreePath path) {
        return path.getParentPath().getLeaf() instanceof MemberSelectTree select && select.getExpression()
                .equals(path.getLeaf()) ? "." + select.getIdentifier() : "alone";
    }

    /** Whether the method calls itself on, or with, the object. */
    private static boolean isPassedOn(AttributedFile code, TreePath path, ExecutableElement method,
            Optional<Integer> parameter) {
        TreePath at = path.getParentPath();
        if (at != null && at.getLeaf() instanceof MemberSelectTree) {
            at = at.getParentPath();
        }
        TreePath call = path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree ? at
                : null;
        return call != null && call.getLeaf() instanceof MethodInvocationTree tree
                && Calls.method(code, call).filter(method::equals).isPresent()
                && (parameter.isPresent() ? parameter.get() < tree.getArguments().size()
                        && tree.getArguments().get(parameter.get()).equals(path.getLeaf())
                        : tree.getMethodSelect().equals(path.getLeaf()) || TreePaths.isThis(path.getLeaf()) && Calls
                                .receiver(call).map(TreePath::getLeaf).filter(path.getLeaf()::equals).isPresent());
    }

    /**
     * Whether one call gets the object that it got.
     *
     * @param was  in the file before
     * @param isAt whether a stretch of the file before stands at one after it
     */
    boolean isSame(AttributedFile code, TreePath was, AttributedFile codeAfter, TreePath is,
            BiPredicate<Range, Range> isAt) {
        if (!isMoved() || becomesStatic() && position().isEmpty()) {
            return true;
        }
        Optional<TreePath> object = becomesStatic() ? Calls.receiver(was) : argument(was, signature
                .objectParameter().orElseThrow());
        Optional<TreePath> now = becomesStatic() ? argument(is, position().orElseThrow()) : Calls.receiver(is);
        if (now.isEmpty()) {
            return false;
        }
        Tree plain = TreePaths.inner(now.get()).getLeaf();
        boolean isCarried = object.filter(path -> isSameCode(code, path, codeAfter, now.get(), isAt)).isPresent();
        return isCarried || (becomesStatic() ? isOwnObject(code, was, object, codeAfter, now.get())
                : object.filter(path -> isParameter(code, path) && TreePaths.isThis(plain)).isPresent());
    }

    /**
     * Whether code is the same, though what it begins with may be the object of a call that changes, and stand in
     * another place: of that the name is the same, and its arguments are compared for themselves.
     */
    boolean isSameCode(AttributedFile code, TreePath expected, AttributedFile codeAfter, TreePath is,
            BiPredicate<Range, Range> isAt) {
        TreePath was = TreePaths.inner(expected);
        TreePath now = TreePaths.inner(is);
        Tree plain = now.getLeaf();
        if (isAt.test(code.range(was.getLeaf()), codeAfter.range(plain))) {
            return true;
        }
        // in the body of the method, what was the object's is the parameter's; in which order is compared there
        if (TreePaths.isThis(was.getLeaf()) && isGiven(codeAfter, now)) {
            return true;
        }
        boolean isAtName = isMoved() && isAt.test(name(code, was.getLeaf()), name(codeAfter, plain));
        if (isAtName && was.getLeaf() instanceof IdentifierTree && plain instanceof MemberSelectTree select) {
            return isGiven(codeAfter, new TreePath(now, select.getExpression()));
        }
        boolean isNamedAlike = isAtName && was.getLeaf().getKind() == plain.getKind();
        if (isNamedAlike && was.getLeaf() instanceof MethodInvocationTree) {
            return Calls.method(code, was).map(code::key).filter(key::equals).isPresent() || Calls.receiver(was)
                    .flatMap(object -> Calls.receiver(now).filter(other -> isSameCode(code, object, codeAfter, other,
                            isAt))).isPresent();
        }
        return isNamedAlike && was.getLeaf() instanceof MemberSelectTree select
                && now.getLeaf() instanceof MemberSelectTree other && isSameCode(code, new TreePath(was,
                        select.getExpression()), codeAfter, new TreePath(now, other.getExpression()), isAt);
    }

    private static Range name(AttributedFile code, Tree tree) {
        Tree named = tree instanceof MethodInvocationTree call ? call.getMethodSelect() : tree;
        Range range = code.range(named);
        return named instanceof MemberSelectTree select ? new Range(range.end() - select.getIdentifier().length(),
                range.end()) : range;
    }

    private static Optional<TreePath> argument(TreePath call, int index) {
        List<? extends ExpressionTree> all = Calls.arguments(call.getLeaf());
        return index < all.size() ? Optional.of(new TreePath(call, all.get(index))) : Optional.empty();
    }

    /** Whether the method calls itself with what it was passed. */
    private boolean isParameter(AttributedFile code, TreePath argument) {
        return code.element(argument).filter(method.getParameters().get(signature.objectParameter().orElseThrow())
                ::equals).isPresent();
    }

    /** Whether the object was that of a class around, and is said to be that, or is what the method got for it. */
    private boolean isOwnObject(AttributedFile code, TreePath was, Optional<TreePath> said, AttributedFile codeAfter,
            TreePath now) {
        Optional<SymbolKey> type = said.isPresent()
                ? code.type(said.get()).filter(known -> TreePaths.isThis(said.get().getLeaf()) || said.get().getLeaf()
                        .toString().equals("super")).flatMap(known -> innermost(code, said.get()))
                : before.enclosing(code.file().path(), code.range(was.getLeaf()).start()).stream()
                        .filter(one -> before.isSubtype(one.element(), ((SymbolKey.Method) key).owner())).findFirst()
                        .map(Analysis.Enclosing::key);
        boolean isThis = TreePaths.isThis(now.getLeaf()) && type.isPresent() && codeAfter.type(now)
                .map(codeAfter.types()::asElement).map(after::key).filter(mapping.key(type.get())::equals).isPresent();
        return isThis || isGiven(codeAfter, now) && type.filter(((SymbolKey.Method) key).owner()::equals).isPresent();
    }

    /** Whether the parameter that gets the object stands somewhere. */
    private boolean isGiven(AttributedFile codeAfter, TreePath now) {
        return becomesStatic() && codeAfter.element(now).map(after::key)
                .filter(element -> parameterAfter().filter(element::equals).isPresent()).isPresent();
    }

    private Optional<SymbolKey> innermost(AttributedFile code, TreePath object) {
        return object.getLeaf() instanceof MemberSelectTree select
                ? code.element(new TreePath(object, select.getExpression())).map(code::key)
                : code.enclosingType(object).map(code::key);
    }

    private Optional<SymbolKey> parameterAfter() {
        return after.known(mapping.key(key)).map(Analysis.KnownElement::element)
                .filter(ExecutableElement.class::isInstance).map(ExecutableElement.class::cast)
                .flatMap(now -> position().map(index -> after.key(now.getParameters().get(index))));
    }
}
