package dev.deftchisel.declare.inference;

import com.sun.source.tree.AnnotatedTypeTree;
import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ArrayTypeTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.TypeParameterTree;
import com.sun.source.tree.UnionTypeTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WildcardTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.CallArguments;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.ImportOutline;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * A name in an expression that nobody declares, or a call of a constructor that a class does not have.
 *
 * @param code     the file
 * @param path     the name, or what ends with it: {@code berth.dues}; the call of a constructor
 * @param name     itself; of the class for a constructor
 * @param range    of the name
 */
public record UnresolvedName(AttributedFile code, TreePath path, String name, Range range) {

    private static final Pattern TYPE_NAME = Pattern.compile("\\p{Lu}.*\\p{Ll}.*");

    /** The one at the caret; empty when all is declared there. */
    public static Optional<UnresolvedName> at(Analysis analysis, ResolvedPlace resolved) {
        return analysis.code(resolved.file().path()).flatMap(code -> at(analysis, code, resolved.place().caret()));
    }

    /** The one that an offset touches; empty when all is declared there. */
    public static Optional<UnresolvedName> at(Analysis analysis, AttributedFile code, int offset) {
        return analysis.at(code.file().path(), offset).stream()
                .filter(binding -> binding.isNamed() && binding.key() instanceof SymbolKey.Unknown)
                .flatMap(binding -> code.around(binding.range()).stream()
                        .filter(path -> path.getLeaf() instanceof IdentifierTree && code.range(path.getLeaf())
                                .equals(binding.range())
                                || (path.getLeaf() instanceof MemberSelectTree
                                        || path.getLeaf() instanceof MemberReferenceTree)
                                && code.range(path.getLeaf()).end() == binding.range().end())
                        .map(path -> new UnresolvedName(code, path, code.text(binding.range()), binding.range())))
                .findFirst()
                .or(() -> constructor(code, offset));
    }

    private static Optional<UnresolvedName> constructor(AttributedFile code, int offset) {
        return code.around(new Range(offset, offset)).stream()
                .takeWhile(path -> !(path.getLeaf() instanceof StatementTree)
                        || path.getLeaf() instanceof ExpressionStatementTree)
                .filter(path -> isUnknownConstructor(code, path))
                .findFirst()
                .flatMap(path -> constructed(code, path)
                        .map(type -> new UnresolvedName(code, path, type.getSimpleName().toString(),
                        code.range(path.getLeaf()))));
    }

    private static boolean isUnknownConstructor(AttributedFile code, TreePath path) {
        boolean isCall = path.getLeaf() instanceof NewClassTree
                || path.getLeaf() instanceof MethodInvocationTree call && TreePaths.callsConstructor(call);
        return isCall && code.element(path).filter(element -> element instanceof ExecutableElement).isEmpty();
    }

    /** The class whose constructor a call is for. */
    static Optional<TypeElement> constructed(AttributedFile code, TreePath call) {
        if (call.getLeaf() instanceof NewClassTree made) {
            TreePath named = new TreePath(call, made.getIdentifier());
            // a diamond that cannot be inferred has no type, but a class
            return DiamondArguments.isMade(call)
                    ? code.element(new TreePath(named, ((ParameterizedTypeTree) made.getIdentifier()).getType()))
                            .filter(TypeElement.class::isInstance).map(TypeElement.class::cast)
                    : code.type(named).flatMap(UnresolvedName::element);
        }
        String text = code.text(((MethodInvocationTree) call.getLeaf()).getMethodSelect());
        Optional<TypeElement> around = code.enclosingType(call);
        return text.equals("this") ? around : around.map(TypeElement::getSuperclass).flatMap(UnresolvedName::element);
    }

    /**
     * The class of an object; the one above where it has no name, since nobody else can ask that for a member (JLS
     * 15.9.5).
     */
    private static Optional<TypeElement> element(TypeMirror type) {
        if (type.getKind() != TypeKind.DECLARED) {
            return Optional.empty();
        }
        TypeElement element = (TypeElement) ((DeclaredType) type).asElement();
        if (!element.getSimpleName().isEmpty()) {
            return Optional.of(element);
        }
        return element(element.getInterfaces().isEmpty() ? element.getSuperclass() : element.getInterfaces().get(0));
    }

    /** Whether it is the call of a constructor. */
    public boolean isConstructor() {
        return path.getLeaf() instanceof NewClassTree || path.getLeaf() instanceof MethodInvocationTree;
    }

    /** Whether it is named as a function, without being called (JLS 15.13). */
    public boolean isReference() {
        return path.getLeaf() instanceof MemberReferenceTree;
    }

    /** What is passed, where it is a call. */
    public List<? extends ExpressionTree> arguments() {
        return call().<List<? extends ExpressionTree>>map(call -> new CallArguments(code, call).all())
                .orElse(List.of());
    }

    /** Other uses of the same name, of the same type and of the same sort, calls or not; those of the file first. */
    public List<UnresolvedName> others(Analysis analysis) {
        Optional<Range> outermost = outermost();
        return analysis.unresolved(name).stream()
                .filter(binding -> !(binding.file().equals(code.file().path()) && binding.range().equals(range)))
                .sorted(Comparator.comparing(binding -> !binding.file().equals(code.file().path())))
                .flatMap(binding -> analysis.code(binding.file()).filter(code::sharesTypesWith).stream()
                        .flatMap(there -> at(analysis, there, binding.range().start()).stream()))
                .filter(other -> other.call().isPresent() == call().isPresent() && other.isReference() == isReference()
                        && other.isType() == isType()
                        && (isOwn() && other.isOwn() && (other.isWithin(this, outermost) || other.isBelow(this))
                                || other.owner().equals(owner()) || isOwn() && !other.isOwn()
                                && isAmongMine(other.owner())))
                .toList();
    }

    /** The class that is within no other. */
    public Optional<Range> outermost() {
        return classes().stream().reduce((inner, outer) -> outer).map(outer -> code.range(outer.getLeaf()));
    }

    /** Whether it is in the outermost class around another use, which is the range. */
    public boolean isWithin(UnresolvedName other, Optional<Range> outermost) {
        return code.file() == other.code().file() && outermost.filter(around -> around.encloses(range)).isPresent();
    }

    private boolean isAmongMine(Optional<TypeElement> type) {
        return type.isPresent() && classes().stream()
                .anyMatch(around -> code.element(around).filter(type.get()::equals).isPresent());
    }

    /** Whether it is in a class below that of another use, from which it may inherit. */
    private boolean isBelow(UnresolvedName other) {
        Optional<TypeElement> above = other.code().enclosingType(other.path());
        return above.isPresent() && code.enclosingType(path)
                .filter(type -> code.isKind(type.asType(), above.get().asType())).isPresent();
    }

    /** The call, where it is the name of a method. */
    public Optional<TreePath> call() {
        if (isConstructor()) {
            return Optional.of(path);
        }
        TreePath parent = path.getParentPath();
        return parent.getLeaf() instanceof MethodInvocationTree call && call.getMethodSelect() == path.getLeaf()
                ? Optional.of(parent) : Optional.empty();
    }

    /**
     * Whether it must be a type where it stands (JLS 6.5.1), or looks like one by its name where it may be a variable
     * as well (JLS 6.1).
     */
    public boolean isType() {
        if (isConstructor() || isReference()) {
            return false;
        }
        Tree name = path.getLeaf();
        Tree place = path.getParentPath().getLeaf();
        if (place instanceof MemberSelectTree || place instanceof MemberReferenceTree) {
            return place instanceof MemberSelectTree select && select.getIdentifier().contentEquals("class")
                    || TYPE_NAME.matcher(this.name).matches();
        }
        return place instanceof VariableTree variable && variable.getType() == name
                || place instanceof MethodTree method && (method.getReturnType() == name || method.getThrows()
                        .contains(name))
                || place instanceof NewClassTree made && made.getIdentifier() == name
                || place instanceof TypeCastTree cast && cast.getType() == name
                || place instanceof InstanceOfTree test && test.getType() == name
                || place instanceof NewArrayTree array && array.getType() == name
                || place instanceof ParameterizedTypeTree || place instanceof ArrayTypeTree
                || place instanceof WildcardTree
                || place instanceof UnionTypeTree || place instanceof TypeParameterTree || place instanceof ClassTree
                || place instanceof AnnotationTree annotation && annotation.getAnnotationType() == name
                || place instanceof AnnotatedTypeTree;
    }

    /** Whether it stands alone. */
    public boolean isSimple() {
        return path.getLeaf() instanceof IdentifierTree;
    }

    private Optional<ImportOutline> line() {
        return code.file().outline().imports().stream()
                .filter(line -> !line.isStatic() && !line.isOnDemand() && line.simpleName().equals(name))
                .findFirst();
    }

    /** Whether the file imports it. */
    public boolean isImported() {
        return line().isPresent();
    }

    /** The package that must declare it, where it is a type: as the name or an import says, else that of the file. */
    public String home() {
        return object().map(qualifier -> code.text(qualifier.getLeaf()).replaceAll("\\s", ""))
                .or(() -> line().map(line -> line.name().substring(0, line.name().length() - name.length() - 1)))
                .orElseGet(() -> code.file().header().packageName());
    }

    /** What it is selected from. */
    public Optional<TreePath> object() {
        if (path.getLeaf() instanceof MemberSelectTree select) {
            return Optional.of(new TreePath(path, select.getExpression()));
        }
        return path.getLeaf() instanceof MemberReferenceTree reference
                ? Optional.of(new TreePath(path, reference.getQualifierExpression())) : Optional.empty();
    }

    /** Whether it is selected from a type, not from an object. */
    public boolean isOfType() {
        return object().flatMap(code::element).filter(element -> element instanceof TypeElement).isPresent();
    }

    /** The type that must declare it: that of the object, or the one around. */
    public Optional<TypeElement> owner() {
        if (isConstructor()) {
            return constructed(code, path);
        }
        Optional<TreePath> object = object();
        if (object.isEmpty()) {
            return chosenFrom().or(this::annotation).or(() -> code.enclosingType(path));
        }
        Optional<TypeMirror> type = isOfType() ? object.flatMap(code::element).map(element -> element.asType())
                : object.flatMap(code::type);
        return type.flatMap(UnresolvedName::element);
    }

    /** The enum of whose constants a {@code switch} chooses, where it is a label (JLS 14.11.1). */
    private Optional<TypeElement> chosenFrom() {
        TreePath place = path.getParentPath();
        // later compilers have a tree of its own for the constant of a label
        TreePath group = place.getLeaf() instanceof CaseTree ? place : place.getParentPath();
        if (group == null || !(group.getLeaf() instanceof CaseTree label)
                || label.getExpressions().stream().noneMatch(one -> one == path.getLeaf())) {
            return Optional.empty();
        }
        TreePath choice = group.getParentPath();
        return code.type(new TreePath(choice, TreePaths.chosenFrom(choice.getLeaf())))
                .flatMap(UnresolvedName::element)
                .filter(type -> type.getKind() == ElementKind.ENUM);
    }

    /** The annotation whose element it is (JLS 9.7.1). */
    private Optional<TypeElement> annotation() {
        TreePath place = path.getParentPath();
        return place.getLeaf() instanceof AssignmentTree assignment && assignment.getVariable() == path.getLeaf()
                && place.getParentPath().getLeaf() instanceof AnnotationTree around
                ? code.element(new TreePath(place.getParentPath(), around.getAnnotationType()))
                .filter(type -> type.getKind() == ElementKind.ANNOTATION_TYPE).map(type -> (TypeElement) type)
                        : Optional.empty();
    }

    /** Whether it is an element of an annotation, which is given a value. */
    public boolean isElement() {
        return annotation().isPresent();
    }

    /** Whether it is a constant of an enum, by where it stands or how it is named. */
    public boolean isEnumConstant() {
        return call().isEmpty() && (chosenFrom().isPresent() || isOfType() && Character.isUpperCase(name.charAt(0))
                && owner().filter(type -> type.getKind() == ElementKind.ENUM).isPresent());
    }

    /** Whether it stands alone and may be a member of any class around it. */
    public boolean isOwn() {
        return !isConstructor() && object().isEmpty() && chosenFrom().isEmpty() && annotation().isEmpty();
    }

    /** The classes around it that have a name, the innermost first. */
    List<TreePath> classes() {
        return code.around(range).stream()
                .filter(at -> at.getLeaf() instanceof ClassTree type && !type.getSimpleName().isEmpty()).toList();
    }

    /** The innermost class with a name around it that is such a one. */
    public Optional<TargetClass> classAround(Predicate<TreePath> isMeant) {
        return classes().stream().filter(isMeant).findFirst()
                .flatMap(at -> code.element(at).map(type -> new TargetClass(code, at, (TypeElement) type)));
    }

    /** Whether there is no object of a class around it (JLS 8.1.3). */
    public boolean isStaticIn(TypeElement type, Analysis analysis) {
        return analysis.enclosing(code.file().path(), range.start()).stream()
                .filter(around -> around.element().equals(type)).anyMatch(Analysis.Enclosing::isStatic);
    }

    /** The method around it; empty in an initialiser or a lambda's class. */
    public Optional<TreePath> method() {
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodTree) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }

    /** The expression that stands for its value: the call, or the name. */
    TreePath value() {
        return call().orElse(path);
    }
}
