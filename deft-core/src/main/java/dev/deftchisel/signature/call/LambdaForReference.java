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
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.rewrite.place.NeverNull;
import dev.deftchisel.signature.change.SignatureChange;
import dev.deftchisel.signature.change.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.Comparator;
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
    private final NestedEdits edits;
    private final TypeWriter writer;

    /**
     * @param typed what is written in the file
     * @param path  the reference
     * @param edits of the file
     */
    public LambdaForReference(TypedCode typed, TreePath path, NestedEdits edits) {
        this.typed = typed;
        this.change = typed.change();
        this.code = typed.code();
        this.path = path;
        this.tree = (MemberReferenceTree) path.getLeaf();
        this.method = (ExecutableElement) code.element(path).orElseThrow();
        this.edits = edits;
        this.writer = typed.writer();
    }

    /** The reference that names or implies a method at a range. */
    public static Optional<TreePath> reference(AttributedFile code, Range use) {
        return code.around(use).stream().filter(path -> path.getLeaf() instanceof MemberReferenceTree)
                .filter(path -> code.element(path).filter(ExecutableElement.class::isInstance).isPresent())
                .min(Comparator.comparingInt(path -> code.range(path.getLeaf()).length()));
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
        for (int i = 0; i < change.origins().size(); i++) {
            Optional<String> value = change.isAdded(i) ? added.value(i) : Optional.of("");
            if (value.isEmpty() && !added.isOptional(i)) {
                return Optional.of(added.objection(i));
            }
            values.add(value.orElse(""));
        }
        List<? extends TypeMirror> types = function.get().getParameterTypes();
        List<String> names = names(types, values);
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
    private List<String> names(List<? extends TypeMirror> types, List<String> values) {
        Set<String> taken = new HashSet<>();
        code.visible(path).stream().filter(one -> one instanceof VariableElement && !one.getKind().isField())
                .forEach(one -> taken.add(one.getSimpleName().toString()));
        values.forEach(value -> taken.addAll(identifiers(value)));
        taken.addAll(identifiers(code.text(tree.getQualifierExpression())));
        int first = takesObject(code, path) ? 1 : 0;
        List<String> names = new ArrayList<>();
        for (int i = 0; i < types.size(); i++) {
            String wish = i < first ? decapitalised(method.getEnclosingElement().getSimpleName().toString())
                    : method.getParameters().get(Math.min(i - first, method.getParameters().size() - 1))
                            .getSimpleName().toString();
            names.add(NewName.free(taken, wish));
            taken.add(names.get(i));
        }
        return names;
    }

    private static Set<String> identifiers(String text) {
        Tokens tokens = Tokens.of(text);
        Set<String> found = new HashSet<>();
        IntStream.range(0, tokens.count()).filter(i -> tokens.kind(i) == TokenKind.IDENTIFIER)
                .forEach(i -> found.add(tokens.text(i)));
        return found;
    }

    private static String decapitalised(String name) {
        return name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
    }

    private void parameters(NewCode text, List<String> names, List<? extends TypeMirror> types) {
        List<Optional<String>> written = types.stream().map(writer::write).toList();
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
                text.write(names.get(0));
            } else {
                edits.carry(text, qualifier);
            }
            text.write(".");
            typeArguments(text);
            edits.carry(text, name());
        }
        text.write("(");
        String comma = "";
        for (int i = 0; i < change.origins().size(); i++) {
            List<String> passed = change.isAdded(i) ? List.of(values.get(i)).stream().filter(one -> !one.isEmpty())
                    .toList() : group(change.origins().get(i) + first, names);
            for (String value : passed) {
                text.write(comma + value);
                comma = ", ";
            }
        }
        text.write(")");
    }

    /** What the function gets for a parameter of the method; several, or none, for one of any number. */
    private List<String> group(int index, List<String> names) {
        boolean isLast = index - (takesObject(code, path) ? 1 : 0) == method.getParameters().size() - 1;
        return method.isVarArgs() && isLast ? names.subList(Math.min(index, names.size()), names.size())
                : List.of(names.get(index));
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
