package dev.deftchisel.signature.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.rewrite.place.NeverNull;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;

/**
 * A reference to a method (JLS 15.13) passes on what the function gets, one by one. Where the method asks for something
 * else, a lambda that calls it takes its place.
 */
public final class LambdaForReference {

    private final TypedCode typed;
    private final SignatureChange change;
    private final AttributedFile code;
    private final TreePath path;
    private final MemberReferenceTree tree;
    private final ExecutableElement method;
    private final ExecutableElement function;
    private final NestedEdits edits;
    private final TypeWriter writer;
    /** For each parameter of the method that it was; likewise of the function. */
    private final List<Integer> passed;
    private final List<Integer> taken;

    /**
     * @param typed     what is written in the file
     * @param reference and the function that it implements
     * @param family    the methods that change: that of the reference, its function, or both
     * @param edits     of the file
     */
    public LambdaForReference(TypedCode typed, Functions.Implementation reference, Set<SymbolKey> family,
            NestedEdits edits) {
        this.path = reference.path();
        this.typed = typed;
        this.change = typed.change();
        this.code = typed.code();
        this.tree = (MemberReferenceTree) path.getLeaf();
        this.method = (ExecutableElement) code.element(path).orElseThrow();
        this.edits = edits;
        this.writer = typed.writer();
        this.function = reference.function();
        this.passed = family.contains(code.key(method)) ? change.origins() : same(method.getParameters().size());
        this.taken = family.contains(code.key(reference.function())) ? change.origins()
                : same(reference.function().getParameters().size());
    }

    private static List<Integer> same(int count) {
        return IntStream.range(0, count).boxed().toList();
    }

    /** The reference that names or implies a method at a range. */
    public static Optional<Functions.Implementation> reference(AttributedFile code, Range use) {
        return code.around(use).stream().filter(path -> path.getLeaf() instanceof MemberReferenceTree
                && code.element(path).filter(ExecutableElement.class::isInstance).isPresent()).findFirst()
                .flatMap(path -> Functions.implementation(code, path));
    }

    /** Whether the function gets the object first on which the method is called (JLS 15.13.1). */
    public static boolean takesObject(AttributedFile code, TreePath reference) {
        MemberReferenceTree tree = (MemberReferenceTree) reference.getLeaf();
        return tree.getMode() == MemberReferenceTree.ReferenceMode.INVOKE
                && code.element(reference).filter(one -> !one.getModifiers().contains(Modifier.STATIC)).isPresent()
                && isType(code, new TreePath(reference, tree.getQualifierExpression()));
    }

    private static boolean isType(AttributedFile code, TreePath qualifier) {
        Tree tree = qualifier.getLeaf();
        return !(tree instanceof IdentifierTree name && name.getName().toString().matches("this|super"))
                && (tree.getKind() == Tree.Kind.PARAMETERIZED_TYPE || code.element(qualifier)
                .filter(TypeElement.class::isInstance).isPresent());
    }

    /** What is in the way; when nothing is, all is written. */
    public Optional<Reason> write() {
        Optional<ExecutableType> function = code.type(path).flatMap(type -> Functions.of(code, type));
        if (function.isEmpty() || code.hasComment(code.range(tree))) {
            return objection("the method is named here without being called, and would be passed something else");
        }
        boolean isBound = !isConstructor() && !takesObject(code, path) && !method.getModifiers()
                .contains(Modifier.STATIC);
        if (isBound && !isSameLater()) {
            return objection("the object before '::' is found once here, and a lambda would find it at every call; "
                    + "put it in a variable that is never null first");
        }
        List<String> values = new ArrayList<>();
        NewArgument added = new NewArgument(typed, path);
        // what both get anew is passed on
        boolean isPassedOn = passed.equals(taken) && passed == change.origins();
        if (isPassedOn && !takesObject(code, path)) {
            return Optional.empty();
        }
        for (int i = 0; i < passed.size(); i++) {
            Optional<String> value = passed.get(i) != NewSignature.ADDED || isPassedOn ? Optional.of("")
                    : added.value(i);
            if (value.isEmpty() && !added.isOptional(i)) {
                return Optional.of(added.objection(i));
            }
            values.add(value.orElse(""));
        }
        List<? extends TypeMirror> types = function.get().getParameterTypes();
        List<String> names = names(values);
        int first = takesObject(code, path) ? 1 : 0;
        boolean isLost = IntStream.range(0, types.size()).anyMatch(i -> !taken.contains(i)
                && (i < first || passed.contains(Math.min(i - first, method.getParameters().size() - 1))));
        if (isLost) {
            return objection("the method that is named here is passed what the function would not get any more");
        }
        if (isPassedOn) {
            IntStream.range(0, passed.size()).filter(change::isAdded).forEach(i -> values.set(i, names.get(i)));
        }
        edits.replace(code.range(tree), List.of(), text -> {
            parameters(text, names, types);
            call(text, names, values);
        });
        return Optional.empty();
    }

    private Optional<Reason> objection(String sentence) {
        return Optional.of(Reason.at(code.file().path(), code.range(tree), sentence));
    }

    private boolean isConstructor() {
        return tree.getMode() == MemberReferenceTree.ReferenceMode.NEW;
    }

    /** Whether what stands before the colons is the same object at any time, and there is one. */
    private boolean isSameLater() {
        TreePath object = new TreePath(path, tree.getQualifierExpression());
        Effects effects = code.effects(path);
        boolean isConstant = !effects.readsState() && !effects.isVisible() && !code.effects(object).isFresh();
        return isConstant && (!effects.mayFail() || new NeverNull(typed.before(), code).isSure(object));
    }

    /** After the parameters that they are passed for; none that a variable there has, or that a value names. */
    private List<String> names(List<String> values) {
        Set<String> known = new HashSet<>();
        code.visible(path).stream().filter(one -> one instanceof VariableElement && !one.getKind().isField())
                .forEach(one -> known.add(one.getSimpleName().toString()));
        values.forEach(value -> known.addAll(Tokens.of(value).names()));
        known.addAll(code.tokens().names(code.range(tree.getQualifierExpression())));
        List<String> names = new ArrayList<>();
        for (int i = 0; i < taken.size(); i++) {
            int origin = taken.get(i);
            names.add(NewName.free(known, origin == NewSignature.ADDED ? change.name(i) : wish(origin)));
            known.add(names.get(i));
        }
        return names;
    }

    /** After a function that changes, since that is written here, else after the method that is called. */
    private String wish(int origin) {
        int first = takesObject(code, path) ? 1 : 0;
        int last = method.getParameters().size() - 1;
        if (taken == change.origins()) {
            return function.getParameters().get(origin).getSimpleName().toString();
        } else if (origin < first) {
            return decapitalised(method.getEnclosingElement().getSimpleName().toString());
        }
        return last < 0 ? "value" : method.getParameters().get(Math.min(origin - first, last)).getSimpleName()
                .toString();
    }

    private static String decapitalised(String name) {
        return name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
    }

    private void parameters(NewCode text, List<String> names, List<? extends TypeMirror> types) {
        List<Optional<String>> written = IntStream.range(0, taken.size()).mapToObj(i -> writer.write(
                taken.get(i) == NewSignature.ADDED ? change.type(i) : types.get(taken.get(i)))).toList();
        boolean isTyped = !names.isEmpty() && decidesTypes() && written.stream().allMatch(Optional::isPresent);
        boolean isBare = names.size() == 1 && !isTyped;
        text.write(isBare ? "" : "(");
        for (int i = 0; i < names.size(); i++) {
            text.write(i == 0 ? "" : ", ").write(isTyped ? written.get(i).orElseThrow() + " " : "").write(names.get(i));
        }
        text.write(isBare ? " -> " : ") -> ");
    }

    /**
     * Whether the types of a generic call around are found from what the function takes (JLS 18.5.1), or the method
     * among several (JLS 15.12.2.2): a lambda says nothing of them unless it declares its types.
     */
    private boolean decidesTypes() {
        TreePath outer = TreePaths.outer(path);
        boolean isPassed = outer.getLeaf() instanceof MethodInvocationTree
                || outer.getLeaf() instanceof NewClassTree;
        Optional<ExecutableElement> called = isPassed ? code.element(outer).filter(ExecutableElement.class::isInstance)
                .map(ExecutableElement.class::cast) : Optional.empty();
        if (called.isEmpty()) {
            return false;
        }
        List<? extends ExpressionTree> arguments = Calls.arguments(outer.getLeaf());
        int index = IntStream.range(0, arguments.size())
                .filter(i -> TreePaths.inner(arguments.get(i)) == tree).findFirst().orElse(-1);
        List<? extends VariableElement> parameters = called.get().getParameters();
        if (index < 0 || index >= parameters.size()) {
            return false;
        }
        boolean isOverloaded = called.get().getEnclosingElement().getEnclosedElements().stream()
                .filter(other -> other.getSimpleName().equals(called.get().getSimpleName())).count() > 1;
        Element generic = outer.getLeaf() instanceof NewClassTree ? called.get().getEnclosingElement() : called.get();
        return isOverloaded || Functions.of(code, parameters.get(index).asType()).stream()
                .flatMap(type -> type.getParameterTypes().stream()).anyMatch(type -> mentions(type, generic));
    }

    private static boolean mentions(TypeMirror type, Element generic) {
        if (type instanceof TypeVariable variable) {
            return ((TypeParameterElement) variable.asElement()).getGenericElement().equals(generic);
        } else if (type instanceof WildcardType wildcard) {
            return wildcard.getExtendsBound() != null && mentions(wildcard.getExtendsBound(), generic)
                    || wildcard.getSuperBound() != null && mentions(wildcard.getSuperBound(), generic);
        }
        return type instanceof DeclaredType declared && declared.getTypeArguments().stream()
                .anyMatch(argument -> mentions(argument, generic));
    }

    private void call(NewCode text, List<String> names, List<String> values) {
        Range qualifier = code.range(tree.getQualifierExpression());
        int first = takesObject(code, path) ? 1 : 0;
        if (isConstructor()) {
            boolean isOpen = tree.getQualifierExpression().getKind() != Tree.Kind.PARAMETERIZED_TYPE
                    && !((TypeElement) method.getEnclosingElement()).getTypeParameters().isEmpty();
            edits.carry(text.write("new "), qualifier);
            text.write(isOpen ? "<>" : "");
        } else {
            if (first == 1) {
                text.write(names.get(taken.indexOf(0)));
            } else {
                edits.carry(text, qualifier);
            }
            text.write(".");
            typeArguments(text);
            edits.carry(text, name());
        }
        text.write("(");
        String comma = "";
        for (int i = 0; i < passed.size(); i++) {
            List<String> arguments = passed.get(i) == NewSignature.ADDED
                    ? List.of(values.get(i)).stream().filter(one -> !one.isEmpty()).toList()
                    : group(passed.get(i) + first, names);
            for (String value : arguments) {
                text.write(comma + value);
                comma = ", ";
            }
        }
        text.write(")");
    }

    /** What the function gets for a parameter of the method; several, or none, for one of any number. */
    private List<String> group(int index, List<String> names) {
        boolean isLast = index - (takesObject(code, path) ? 1 : 0) == method.getParameters().size() - 1;
        int count = taken.stream().mapToInt(origin -> origin + 1).max().orElse(0);
        return IntStream.range(index, method.isVarArgs() && isLast ? count : index + 1)
                .mapToObj(i -> names.get(taken.indexOf(i))).toList();
    }

    private void typeArguments(NewCode text) {
        List<? extends ExpressionTree> arguments = tree.getTypeArguments();
        if (arguments != null && !arguments.isEmpty()) {
            edits.carry(text.write("<"), new Range(code.range(arguments.get(0)).start(),
                    code.range(arguments.get(arguments.size() - 1)).end()));
            text.write(">");
        }
    }

    private Range name() {
        Tokens tokens = code.tokens();
        return tokens.range(tokens.codeBefore(tokens.at(code.range(tree).end() - 1)));
    }
}
