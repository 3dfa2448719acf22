package dev.deftchisel.analysis.code;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Scope;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.binding.Attribution;
import dev.deftchisel.analysis.binding.NameFinder;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ErrorType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/**
 * One attributed file as a tree: what stands where, what it refers to, and of which type it is. For operations that
 * work on code rather than on names. Bodies that the analysis left out are empty here.
 */
public final class AttributedFile {

    private final SourceFile file;
    private final Attribution part;
    private final CompilationUnitTree unit;
    private final SourcePositions positions;

    public AttributedFile(SourceFile file, Attribution part) {
        this.file = file;
        this.part = part;
        this.unit = part.run().units().get(file.path());
        this.positions = part.run().positions();
    }

    /** The file. */
    public SourceFile file() {
        return file;
    }

    /** Shorthand for the tokens of the file. */
    public Tokens tokens() {
        return file.tokens();
    }

    /** The whole tree. */
    public CompilationUnitTree unit() {
        return unit;
    }

    /** Relations between types of this file. */
    public Types types() {
        return part.typeRelations();
    }

    /** Access to the elements of this file. */
    public Elements elements() {
        return part.elements();
    }

    /** Where a tree stands; empty for one that the compiler made up. */
    public Optional<Range> find(Tree tree) {
        int start = (int) positions.getStartPosition(unit, tree);
        int end = (int) positions.getEndPosition(unit, tree);
        return start < 0 || end < start ? Optional.empty() : Optional.of(new Range(start, end));
    }

    /**
     * Where a tree stands that was found by its place.
     *
     * @throws IllegalArgumentException for a tree that does not stand in the text
     */
    public Range range(Tree tree) {
        return find(tree).orElseThrow(() -> new IllegalArgumentException("not in the text: " + tree.getKind()));
    }

    /** The text of a range. */
    public String text(Range range) {
        return file.content().substring(range.start(), range.end());
    }

    /** The text of a tree. */
    public String text(Tree tree) {
        return text(range(tree));
    }

    /**
     * The text of a range as it can stand in a message: on one line, its end left out when it is long.
     *
     * @param most so many characters at most, at least 4
     */
    public String shown(Range range, int most) {
        String line = text(range).replaceAll("\\s+", " ");
        return line.length() > most ? line.substring(0, most - 3) + "..." : line;
    }

    /**
     * How a tree reads: its code without comments, with single blanks where white space is. Trees that read the same do
     * the same where their names mean the same.
     */
    public String reads(Tree tree) {
        Range range = range(tree);
        Tokens tokens = tokens();
        StringBuilder text = new StringBuilder();
        for (int i = tokens.code(tokens.at(range.start())); i < tokens.count()
                && tokens.start(i) < range.end(); i = tokens.code(i + 1)) {
            text.append(text.isEmpty() ? "" : " ").append(tokens.text(i));
        }
        return text.toString();
    }

    /** Whether a comment stands in a stretch of code. */
    public boolean hasComment(Range range) {
        Tokens tokens = tokens();
        for (int i = tokens.at(range.start()); i < tokens.count() && tokens.start(i) < range.end(); i++) {
            if (tokens.kind(i).isComment()) {
                return true;
            }
        }
        return false;
    }

    /** Whether two trees of the file read the same. */
    public boolean readsSame(Tree one, Tree other) {
        return reads(one).equals(reads(other));
    }

    /**
     * What can be named at a tree without a qualifier, innermost first (JLS 6.3); empty where the compiler cannot tell.
     */
    public List<Element> visible(TreePath path) {
        List<Element> found = new ArrayList<>();
        try {
            for (Scope scope = part.run().trees().getScope(path); scope != null; scope = scope.getEnclosingScope()) {
                scope.getLocalElements().forEach(found::add);
                if (scope.getEnclosingClass() != null) {
                    found.addAll(elements().getAllMembers(scope.getEnclosingClass()));
                }
            }
        } catch (RuntimeException broken) {
            // in half-written code the compiler may not know where it is
            return List.of();
        }
        return found.stream().distinct().toList();
    }

    /**
     * Whether a declaration says the type of its variable: not {@code var}, nor a parameter of a lambda without one.
     */
    public boolean saysType(VariableTree variable) {
        return find(variable.getType()).filter(type -> type.length() > 0 && !text(type).equals("var")).isPresent();
    }

    /** The type of every object. */
    public TypeMirror object() {
        return elements().getTypeElement("java.lang.Object").asType();
    }

    /** Where the name of a class, method or variable stands in its declaration; empty for one that has none. */
    public Optional<Range> findName(Tree declaration) {
        NameFinder names = new NameFinder(tokens(), unit, positions);
        if (declaration instanceof ClassTree type) {
            return names.ofClass(type);
        }
        return declaration instanceof MethodTree method ? names.ofMethod(method, method.getName())
                : names.ofVariable((VariableTree) declaration, false);
    }

    /** The same, and all of the declaration where it has no name. */
    public Range name(Tree declaration) {
        return findName(declaration).orElseGet(() -> range(declaration));
    }

    /** The result that the method around a tree declares; empty in a lambda or constructor. */
    public Optional<TreePath> result(TreePath path) {
        return TreePaths.function(path).filter(owner -> owner.getLeaf() instanceof MethodTree method
                && method.getReturnType() != null)
                .map(owner -> new TreePath(owner, ((MethodTree) owner.getLeaf()).getReturnType()));
    }

    /** Whether a variable counts the rounds of a {@code for} around a tree. */
    public boolean isOfLoop(TreePath path, Element variable) {
        for (TreePath at = path.getParentPath(); at != null; at = at.getParentPath()) {
            TreePath around = at;
            if (at.getLeaf() instanceof ForLoopTree loop && loop.getInitializer().stream()
                    .anyMatch(first -> element(new TreePath(around, first)).filter(variable::equals).isPresent())) {
                return true;
            }
        }
        return false;
    }

    /** What an expression or declaration refers to. */
    public Optional<Element> element(TreePath path) {
        return Optional.ofNullable(part.run().trees().getElement(path));
    }

    /** The identity of an element. */
    public SymbolKey key(Element element) {
        return part.symbols().key(element);
    }

    /** The type of an expression; empty where the compiler could not tell. */
    public Optional<TypeMirror> type(TreePath path) {
        return Optional.ofNullable(part.run().trees().getTypeMirror(path))
                .filter(type -> type.getKind() != TypeKind.ERROR && type.getKind() != TypeKind.OTHER
                        && type.getKind() != TypeKind.NONE);
    }

    /**
     * The type of an expression, also of one whose place does not take it, so that the compiler calls it an error. A
     * method reference that is one has none: the compiler tells that of the method.
     */
    public Optional<TypeMirror> ownType(TreePath path) {
        return type(path).filter(type -> type.getKind() != TypeKind.EXECUTABLE)
                .or(() -> Optional.ofNullable(part.run().trees().getTypeMirror(path))
                .filter(type -> type instanceof ErrorType)
                .map(type -> part.run().trees().getOriginalType((ErrorType) type))
                .filter(type -> type != null && type.getKind() != TypeKind.NONE && type.getKind() != TypeKind.ERROR
                        && type.getKind() != TypeKind.OTHER && type.getKind() != TypeKind.EXECUTABLE));
    }

    /** A type as one of objects: the box of a primitive one (JLS 5.1.7), any other as it is. */
    public TypeMirror boxed(TypeMirror type) {
        return type.getKind().isPrimitive() ? types().boxedClass(types().getPrimitiveType(type.getKind())).asType()
                : type;
    }

    /** The primitive type in a box (JLS 5.1.8), any other type as it is. */
    public TypeMirror unboxed(TypeMirror type) {
        try {
            return types().unboxedType(type);
        } catch (IllegalArgumentException noBox) {
            return type;
        }
    }

    /**
     * Whether a value of a type is one of another, type arguments aside (JLS 4.10); what a half-written call leaves in
     * place of a value is of no type.
     */
    public boolean isKind(TypeMirror type, TypeMirror above) {
        return type.getKind() != TypeKind.EXECUTABLE && above.getKind() != TypeKind.EXECUTABLE
                && types().isSubtype(types().erasure(type), types().erasure(above));
    }

    /** The descriptor of a type after erasure (JVMS 4.3.2). */
    public String descriptor(TypeMirror type) {
        return part.symbols().keys().descriptor(type);
    }

    /** What evaluating an expression, or running a statement, depends on and may do. */
    public Effects effects(TreePath path) {
        return new EffectScanner(this).scan(path, null);
    }

    /**
     * The same with what its place does to the value: a box that is asked for its number, or for yes or no, may be null
     * (JLS 5.1.8).
     */
    public Effects effectsInPlace(TreePath path) {
        TreePath outer = TreePaths.outer(path);
        Tree parent = outer.getLeaf();
        boolean isCondition = parent instanceof IfTree || parent instanceof WhileLoopTree
                || parent instanceof DoWhileLoopTree
                || parent instanceof ForLoopTree || parent instanceof ConditionalExpressionTree choice
                && TreePaths.inner(choice.getCondition()) == TreePaths.inner(path).getLeaf();
        boolean isPrimitive = isCondition || TargetType.ofVariable(outer, this)
                .filter(type -> type.getKind().isPrimitive()).isPresent();
        boolean isReference = type(path).filter(type -> !type.getKind().isPrimitive()).isPresent();
        return isPrimitive && isReference ? effects(path).and(Effects.NULL) : effects(path);
    }

    /** The checked exceptions that running some code can end in, none of them a subtype of another. */
    public List<TypeMirror> thrown(List<TreePath> parts) {
        return ThrownTypes.of(this, parts);
    }

    /** Every place within a tree where a variable of a body stands, in the order of the text. */
    public List<Occurrence> occurrences(TreePath within) {
        return Occurrences.of(this, within);
    }

    /**
     * Whether code means something else in the body of another class, even where every name is the same: it says
     * {@code this} or {@code super}, uses a member of that object by its simple name (JLS 6.5.6.1, 15.12.1), or makes
     * an object of an inner class of it (JLS 15.9.2).
     */
    public boolean dependsOnThis(TreePath path) {
        boolean[] found = {false};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                found[0] |= element(getCurrentPath())
                        .filter(element -> element.getKind().isField() || element.getKind() == ElementKind.METHOD)
                        .filter(element -> !element.getModifiers().contains(Modifier.STATIC))
                        .isPresent();
                return null;
            }

            @Override
            public Void visitNewClass(NewClassTree tree, Void unused) {
                found[0] |= tree.getEnclosingExpression() == null
                        && element(new TreePath(getCurrentPath(), tree.getIdentifier()))
                        .filter(type -> type.getKind() == ElementKind.CLASS
                                && type.getEnclosingElement() instanceof TypeElement
                                && !type.getModifiers().contains(Modifier.STATIC))
                        .isPresent();
                return super.visitNewClass(tree, null);
            }
        }.scan(path, null);
        return found[0];
    }

    /** Where the fields and methods of the classes in the file stand. */
    public List<Range> members() {
        List<Range> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitClass(ClassTree tree, Void unused) {
                tree.getMembers().stream()
                        .filter(member -> member instanceof MethodTree || member instanceof VariableTree)
                        .forEach(member -> find(member).ifPresent(found::add));
                return super.visitClass(tree, null);
            }
        }.scan(new TreePath(unit), null);
        return List.copyOf(found);
    }

    /** The class around a tree. */
    public Optional<TypeElement> enclosingType(TreePath path) {
        for (TreePath at = path.getParentPath(); at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof ClassTree) {
                return element(at).filter(element -> element instanceof TypeElement)
                        .map(element -> (TypeElement) element);
            }
        }
        return Optional.empty();
    }

    /** Whether the types of two files can be compared. */
    public boolean sharesTypesWith(AttributedFile other) {
        return part == other.part;
    }

    /** Every tree around a range, innermost first; the tree may cover just the range. */
    public List<TreePath> around(Range range) {
        List<TreePath> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                Optional<Range> place = tree == null ? Optional.empty() : find(tree);
                if (place.filter(known -> known.encloses(range)).isPresent()) {
                    found.add(0, new TreePath(getCurrentPath(), tree));
                }
                // what the compiler adds has no place, but what is in it may: the value of @Fee(3) is assigned (JLS
                // 9.7.3)
                boolean mayBeWithin = tree != null && place.map(known -> known.encloses(range)).orElse(true);
                return mayBeWithin ? super.scan(tree, null) : null;
            }
        }.scan(new TreePath(unit), null);
        return List.copyOf(found);
    }

    /** The smallest expression around a stretch of code, such as the name that stands there. */
    public Optional<TreePath> expression(Range range) {
        return around(range).stream().filter(path -> path.getLeaf() instanceof ExpressionTree).findFirst();
    }

    /**
     * The class, method or variable that declares a name. Variables that are declared together begin with the same
     * type, so that the later ones are around the names of the earlier ones.
     */
    public Optional<TreePath> declaration(Range name) {
        return around(name).stream()
                .filter(path -> path.getLeaf() instanceof MethodTree || path.getLeaf() instanceof VariableTree
                        || path.getLeaf() instanceof ClassTree)
                .min(Comparator.comparingInt(path -> range(path.getLeaf()).length()));
    }

    /**
     * The call whose method or constructor a binding names, or implies; empty where it is no call. An anonymous class
     * is created by a call of the constructor of the class above.
     */
    public Optional<TreePath> call(Binding use) {
        return around(use.range()).stream()
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree call && (use.isNamed()
                        ? range(call.getMethodSelect()).end() == use.range().end()
                        : TreePaths.callsConstructor(call) && range(call).start() == use.range().start())
                        || path.getLeaf() instanceof NewClassTree made && !use.isNamed()
                        && range(made).start() == use.range().start())
                .findFirst().or(() -> constant(use));
    }

    /** A constant of an enum is a call of a constructor (JLS 8.9.1), whose place the compiler does not tell. */
    private Optional<TreePath> constant(Binding use) {
        return use.isNamed() ? Optional.empty() : around(use.range()).stream()
                .filter(path -> path.getLeaf() instanceof VariableTree constant
                        && constant.getInitializer() instanceof NewClassTree
                        && element(path).filter(element -> element.getKind() == ElementKind.ENUM_CONSTANT).isPresent()
                        && findName(constant).filter(use.range()::equals).isPresent())
                .map(path -> new TreePath(path, ((VariableTree) path.getLeaf()).getInitializer()))
                .findFirst();
    }

    /** The expressions within a tree, in the order of the text. */
    public List<TreePath> expressions(TreePath within) {
        List<TreePath> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                if (tree instanceof ExpressionTree && find(tree).isPresent()) {
                    found.add(new TreePath(getCurrentPath(), tree));
                }
                return super.scan(tree, null);
            }
        }.scan(within, null);
        return List.copyOf(found);
    }
}
