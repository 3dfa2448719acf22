package dev.deftchisel.analysis.binding;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.PackageTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeParameterTree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.DocTrees;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.compiler.CompilerRun;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.ElementKeys;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.analysis.symbol.Trace;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.PackageElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.Elements;

/**
 * Walks an attributed compilation unit and notes what each name binds to, and what is bound without a name:
 * constructors that are called, {@code super()} that is implied, the element of a one-value annotation.
 *
 * <p>Trees that the compiler adds to the unit (default constructors, members of records) have no place in the text;
 * they are known by a token that does not read as the tree says.
 */
final class BindingScanner extends TreePathScanner<Void, Void> {

    private final Path path;
    private final Focus focus;
    private final Tokens tokens;
    private final DocTrees trees;
    private final Elements elements;
    private final ElementKeys keys;
    private final Symbols symbols;
    private final NameFinder names;
    private final DocBindings docs;
    private final FileBindings facts;
    private final Deque<LabeledStatementTree> labels = new ArrayDeque<>();
    private final List<TreePath> documented = new ArrayList<>();
    private boolean inImport;

    BindingScanner(SourceFile file, CompilerRun.Attributed run, Elements elements, Symbols symbols, Focus focus) {
        CompilationUnitTree unit = run.units().get(file.path());
        this.path = file.path();
        this.tokens = file.tokens();
        this.trees = run.trees();
        this.elements = elements;
        this.symbols = symbols;
        this.keys = symbols.keys();
        this.names = new NameFinder(tokens, unit, run.positions());
        this.facts = new FileBindings(path);
        this.focus = focus;
        this.docs = new DocBindings(file, run, symbols, facts, focus);
    }

    FileBindings scanUnit(CompilationUnitTree unit) {
        TreePath root = new TreePath(unit);
        scan(root, null);
        if (path.endsWith("package-info.java") && unit.getPackage() != null) {
            documented.add(new TreePath(root, unit.getPackage()));
        }
        // last, when all that documentation can refer to has its key
        if (looksAtDocumentation()) {
            documented.forEach(docs::scan);
        }
        return facts;
    }

    /** Where only stretches of code are of interest, documentation is so only when one of them lies in a comment. */
    private boolean looksAtDocumentation() {
        List<Range> around = focus.around().getOrDefault(path, List.of());
        boolean isAnyName = !focus.names().isEmpty() || focus.around().isEmpty();
        return isAnyName || around.stream().map(range -> tokens.at(range.start()))
                .anyMatch(token -> token >= 0 && token < tokens.count() && tokens.kind(token).isComment());
    }

    @Override
    public Void visitPackage(PackageTree tree, Void unused) {
        scan(tree.getAnnotations(), null);
        int start = names.start(tree.getPackageName());
        int end = names.end(tree.getPackageName());
        StringBuilder prefix = new StringBuilder();
        for (int i = tokens.at(start); start >= 0 && i < tokens.count()
                && tokens.start(i) < end; i = tokens.code(i + 1)) {
            if (tokens.kind(i) == TokenKind.IDENTIFIER) {
                prefix.append(prefix.length() == 0 ? "" : ".").append(tokens.name(i));
                SymbolKey.Package key = new SymbolKey.Package(prefix.toString());
                facts.bind(tokens.range(i), key, tokens.end(i) == end ? Role.DECLARATION : Role.TYPE, true);
            }
        }
        return null;
    }

    @Override
    public Void visitImport(ImportTree tree, Void unused) {
        inImport = true;
        if (tree.isStatic() && tree.getQualifiedIdentifier() instanceof MemberSelectTree member) {
            TreePath selected = new TreePath(getCurrentPath(), member);
            scan(new TreePath(selected, member.getExpression()), null);
            Element type = trees.getElement(new TreePath(selected, member.getExpression()));
            names.last(member, member.getIdentifier()).ifPresent(range -> staticImport(type, member, range));
        } else {
            super.visitImport(tree, null);
        }
        inImport = false;
        return null;
    }

    /** A static import names every static member of that name (JLS 7.5.3). */
    private void staticImport(Element type, MemberSelectTree member, Range range) {
        boolean found = false;
        if (type instanceof TypeElement owner) {
            for (Element candidate : elements.getAllMembers(owner)) {
                boolean isStatic = candidate.getModifiers().contains(javax.lang.model.element.Modifier.STATIC);
                if (isStatic && candidate.getSimpleName().contentEquals(member.getIdentifier())) {
                    facts.bind(range, symbols.key(candidate), Role.IMPORT, true);
                    found = true;
                }
            }
        }
        if (!found) {
            facts.bind(range, new SymbolKey.Unknown(member.getIdentifier().toString()), Role.IMPORT, true);
        }
    }

    @Override
    public Void visitClass(ClassTree tree, Void unused) {
        Element element = trees.getElement(getCurrentPath());
        Optional<Range> name = names.ofClass(tree);
        if (element instanceof TypeElement type) {
            int offset = name.map(Range::start).orElse(Math.max(0, names.start(tree)));
            symbols.registerType(type, path, offset);
            name.ifPresent(range -> facts.bind(range, symbols.key(type), Role.DECLARATION, true));
            facts.declareType(type);
        }
        documented.add(getCurrentPath());
        return super.visitClass(tree, null);
    }

    @Override
    public Void visitTypeParameter(TypeParameterTree tree, Void unused) {
        bind(names.first(tree, tree.getName()), trees.getElement(getCurrentPath()), tree.getName(), Role.DECLARATION);
        return super.visitTypeParameter(tree, null);
    }

    @Override
    public Void visitMethod(MethodTree tree, Void unused) {
        Element element = trees.getElement(getCurrentPath());
        if (element != null && elements.getOrigin(element) != Elements.Origin.EXPLICIT) {
            return null;
        }
        boolean isConstructor = tree.getReturnType() == null && tree.getName().contentEquals("<init>");
        CharSequence written = isConstructor && element != null
                ? element.getEnclosingElement().getSimpleName()
                : tree.getName();
        Optional<Range> name = names.ofMethod(tree, written);
        if (name.isEmpty() || element == null) {
            return element == null ? super.visitMethod(tree, null) : null;
        }
        if (isConstructor) {
            facts.bind(name.get(), symbols.key(element), Role.DECLARATION, false);
            facts.bind(name.get(), symbols.key(element.getEnclosingElement()), Role.TYPE, true);
        } else {
            facts.bind(name.get(), symbols.key(element), Role.DECLARATION, true);
        }
        documented.add(getCurrentPath());
        if (isConstructor && names.isFollowedBy(name.get(), '{')) {
            return compactConstructor(tree, (ExecutableElement) element);
        }
        return super.visitMethod(tree, null);
    }

    /** The parameters of a compact constructor (JLS 8.10.4.2) are the components; they are not written again. */
    private Void compactConstructor(MethodTree tree, ExecutableElement constructor) {
        SymbolKey owner = symbols.key(constructor.getEnclosingElement());
        for (VariableElement parameter : constructor.getParameters()) {
            keys.register(parameter, new SymbolKey.Field(owner, parameter.getSimpleName().toString()));
        }
        for (VariableTree parameter : tree.getParameters()) {
            Element element = trees.getElement(new TreePath(getCurrentPath(), parameter));
            if (element != null) {
                keys.register(element, new SymbolKey.Field(owner, parameter.getName().toString()));
            }
        }
        scan(tree.getModifiers(), null);
        return scan(tree.getBody(), null);
    }

    @Override
    public Void visitVariable(VariableTree tree, Void unused) {
        Element element = trees.getElement(getCurrentPath());
        boolean isConstant = element != null && element.getKind() == ElementKind.ENUM_CONSTANT;
        Optional<Range> name = names.ofVariable(tree, isConstant);
        if (element instanceof VariableElement variable && name.isPresent()) {
            symbols.registerVariable(variable, kind(variable), path, name.get().start());
            facts.bind(name.get(), symbols.key(element), Role.DECLARATION, true);
            if (names.start(tree.getType()) >= 0 || element.getKind() != ElementKind.PARAMETER) {
                facts.trace(name.get(), Trace.Fact.VARIABLE, keys.descriptor(variable.asType()));
            }
            if (variable.getConstantValue() != null) {
                facts.trace(name.get(), Trace.Fact.CONSTANT, String.valueOf(variable.getConstantValue()));
            }
        }
        if (element != null && !element.getKind().isField()) {
            return super.visitVariable(tree, null);
        }
        documented.add(getCurrentPath());
        if (isConstant && tree.getInitializer() instanceof NewClassTree made) {
            scan(tree.getModifiers(), null);
            return enumConstant(new TreePath(getCurrentPath(), made), made, name);
        }
        return super.visitVariable(tree, null);
    }

    /** An enum constant is a constructor call whose type is not written (JLS 8.9.1). */
    private Void enumConstant(TreePath madePath, NewClassTree made, Optional<Range> name) {
        for (ExpressionTree argument : made.getArguments()) {
            scan(new TreePath(madePath, argument), null);
        }
        if (made.getClassBody() != null) {
            scan(new TreePath(madePath, made.getClassBody()), null);
        }
        Element constructor = trees.getElement(madePath);
        if (constructor != null) {
            name.ifPresent(range -> facts.bind(range, symbols.key(constructor), Role.CALL, false));
        }
        SuperConstructor.of(madePath, trees).ifPresent(above -> name
                .ifPresent(range -> facts.bind(range, symbols.key(above), Role.CALL, false)));
        return null;
    }

    private SymbolKind kind(VariableElement variable) {
        return switch (variable.getKind()) {
            case PARAMETER -> getCurrentPath().getParentPath().getLeaf() instanceof LambdaExpressionTree
                    ? SymbolKind.LAMBDA_PARAMETER
                    : SymbolKind.PARAMETER;
            case EXCEPTION_PARAMETER -> SymbolKind.CATCH_PARAMETER;
            case RESOURCE_VARIABLE -> SymbolKind.RESOURCE_VARIABLE;
            case BINDING_VARIABLE -> SymbolKind.PATTERN_BINDING;
            default -> SymbolKind.LOCAL_VARIABLE;
        };
    }

    @Override
    public Void visitIdentifier(IdentifierTree tree, Void unused) {
        Element found = trees.getElement(getCurrentPath());
        Element element = found instanceof PackageElement && isNoPackage() ? null : found;
        if (tree.getName().contentEquals("this") || tree.getName().contentEquals("super")) {
            if (element != null && element.getKind() == ElementKind.CONSTRUCTOR) {
                names.firstToken(tree).ifPresent(range -> facts.bind(range, symbols.key(element), Role.CALL, false));
            }
            return null;
        }
        Optional<Range> name = names.first(tree, tree.getName());
        if (name.isPresent()) {
            bind(name, element, tree.getName(), role(element));
        } else if (element != null && isAnnotationValue(tree)) {
            names.firstToken(tree).ifPresent(range ->
                    facts.bind(range, symbols.key(element), Role.WRITE, false));
        }
        return null;
    }

    /** {@code @Fee(3)} is attributed as {@code @Fee(value = 3)} (JLS 9.7.3). */
    private boolean isAnnotationValue(IdentifierTree tree) {
        TreePath parent = getCurrentPath().getParentPath();
        return tree.getName().contentEquals("value")
                && parent.getLeaf() instanceof AssignmentTree
                && parent.getParentPath().getLeaf().getKind() == Tree.Kind.ANNOTATION;
    }

    /**
     * Whether the compiler takes a name for that of a package since it knows no other, and does not find in it what is
     * selected (JLS 6.5.2).
     */
    private boolean isNoPackage() {
        TreePath select = getCurrentPath().getParentPath();
        if (inImport || !(select.getLeaf() instanceof MemberSelectTree)) {
            return false;
        }
        Element selected = trees.getElement(select);
        return selected == null || selected.asType() == null || selected.asType().getKind() == TypeKind.ERROR;
    }

    @Override
    public Void visitMemberSelect(MemberSelectTree tree, Void unused) {
        // what it is selected from first: an anonymous class there says what the keys of its members are
        super.visitMemberSelect(tree, null);
        Optional<Range> name = names.last(tree, tree.getIdentifier());
        if (name.isPresent()) {
            Element element = trees.getElement(getCurrentPath());
            bind(name, element, tree.getIdentifier(), role(element));
        }
        return null;
    }

    @Override
    public Void visitMemberReference(MemberReferenceTree tree, Void unused) {
        super.visitMemberReference(tree, null);
        Element element = trees.getElement(getCurrentPath());
        if (tree.getMode() == MemberReferenceTree.ReferenceMode.NEW) {
            if (element != null) {
                names.firstToken(tree).ifPresent(range -> facts.bind(range, symbols.key(element), Role.CALL, false));
            }
        } else {
            bind(names.last(tree, tree.getName()), element, tree.getName(), Role.CALL);
        }
        traceType(tree);
        return null;
    }

    @Override
    public Void visitNewClass(NewClassTree tree, Void unused) {
        // the body first: it says where an anonymous class is declared, and so what the key of its constructor is
        super.visitNewClass(tree, null);
        Element constructor = trees.getElement(getCurrentPath());
        if (constructor != null) {
            names.firstToken(tree).ifPresent(range -> facts.bind(range, symbols.key(constructor), Role.CALL, false));
        }
        SuperConstructor.of(getCurrentPath(), trees).ifPresent(above -> names.firstToken(tree)
                .ifPresent(range -> facts.bind(range, symbols.key(above), Role.CALL, false)));
        return null;
    }

    @Override
    public Void visitMethodInvocation(MethodInvocationTree tree, Void unused) {
        traceType(tree);
        return super.visitMethodInvocation(tree, null);
    }

    @Override
    public Void visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
        traceType(tree);
        return super.visitLambdaExpression(tree, null);
    }

    @Override
    public Void visitConditionalExpression(ConditionalExpressionTree tree, Void unused) {
        traceType(tree);
        return super.visitConditionalExpression(tree, null);
    }

    private void traceType(ExpressionTree tree) {
        TypeMirror type = trees.getTypeMirror(getCurrentPath());
        int start = names.start(tree);
        int end = names.end(tree);
        if (type != null && start >= 0 && end > start) {
            facts.trace(new Range(start, end), Trace.Fact.TYPE, keys.descriptor(type));
        }
    }

    @Override
    public Void visitLabeledStatement(LabeledStatementTree tree, Void unused) {
        names.first(tree, tree.getLabel()).ifPresent(range -> {
            SymbolKey key = new SymbolKey.Local(path, range.start());
            symbols.noteLabel(key, tree.getLabel().toString());
            facts.bind(range, key, Role.DECLARATION, true);
        });
        labels.push(tree);
        super.visitLabeledStatement(tree, null);
        labels.pop();
        return null;
    }

    @Override
    public Void visitBreak(BreakTree tree, Void unused) {
        jump(tree, tree.getLabel());
        return super.visitBreak(tree, null);
    }

    @Override
    public Void visitContinue(ContinueTree tree, Void unused) {
        jump(tree, tree.getLabel());
        return super.visitContinue(tree, null);
    }

    private void jump(Tree tree, CharSequence label) {
        if (label == null || names.start(tree) < 0) {
            return;
        }
        int token = tokens.code(tokens.at(names.start(tree)) + 1);
        labels.stream()
                .filter(target -> target.getLabel().contentEquals(label))
                .findFirst()
                .flatMap(target -> names.first(target, label))
                .filter(target -> token < tokens.count() && tokens.isName(token, label.toString()))
                .ifPresent(target -> facts.bind(
                        tokens.range(token), new SymbolKey.Local(path, target.start()), Role.READ, true));
    }

    private void bind(Optional<Range> range, Element element, CharSequence name, Role role) {
        SymbolKey key = element == null ? new SymbolKey.Unknown("") : symbols.key(element);
        range.ifPresent(found -> facts.bind(found, key instanceof SymbolKey.Unknown
                ? new SymbolKey.Unknown(name.toString()) : key,
                role, true));
    }

    private Role role(Element element) {
        if (inImport) {
            return Role.IMPORT;
        }
        if (element == null || !(element instanceof VariableElement) && !(element instanceof ExecutableElement)) {
            return element == null ? Role.READ : Role.TYPE;
        }
        TreePath path = getCurrentPath();
        while (path.getParentPath().getLeaf().getKind() == Tree.Kind.PARENTHESIZED) {
            path = path.getParentPath();
        }
        Tree leaf = path.getLeaf();
        Tree parent = path.getParentPath().getLeaf();
        if (element instanceof ExecutableElement) {
            return parent instanceof AssignmentTree ? Role.WRITE : Role.CALL;
        }
        boolean written = parent instanceof AssignmentTree assignment && assignment.getVariable() == leaf
                || parent instanceof CompoundAssignmentTree compound && compound.getVariable() == leaf
                || parent instanceof UnaryTree unary && switch (unary.getKind()) {
                    case PREFIX_INCREMENT, PREFIX_DECREMENT, POSTFIX_INCREMENT, POSTFIX_DECREMENT -> true;
                    default -> false;
                };
        return written ? Role.WRITE : Role.READ;
    }
}
