package dev.deftchisel.proving.subject;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BindingPatternTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * Random expressions in bodies that are no statements, types, patterns, labels or targets of an assignment: a file is
 * drawn, then a kind of expression among those in it, each kind alike, then one of these. Mostly it is selected, now
 * and then there is only a caret at its start.
 */
public final class ExpressionSubjects extends RandomFiles {

    private static final int CARET_EVERY = 5;

    private final String operation;
    private final boolean byKind;

    /**
     * @param analyst   of the untouched corpus
     * @param draw      which files, and how
     * @param operation what is tried with an expression
     * @param byKind    whether each kind of expression is as likely as any other, rather than each expression
     */
    public ExpressionSubjects(Analyst analyst, Draw draw, String operation, boolean byKind) {
        super(analyst, draw);
        this.operation = operation;
        this.byKind = byKind;
    }

    @Override
    Optional<Subject> subject(int number, SourceFile file, Random random) {
        if (file.isModuleInfo()) {
            return Optional.empty();
        }
        Analysis analysis = analyst().analyse(Focus.whole(Set.of(file.path())));
        AttributedFile code = analysis.code(file.path()).orElseThrow();
        List<TreePath> all = code.expressions(new TreePath(code.unit())).stream().filter(path -> isValue(code, path))
                .toList();
        if (all.isEmpty()) {
            return Optional.empty();
        }
        List<String> kinds = all.stream().map(ExpressionSubjects::kind).distinct().sorted().toList();
        String kind = kinds.get(random.nextInt(kinds.size()));
        List<TreePath> alike = byKind ? all.stream().filter(path -> kind(path).equals(kind)).toList() : all;
        Range range = code.range(alike.get(random.nextInt(alike.size())).getLeaf());
        Range selection = number % CARET_EVERY == 0 ? new Range(range.start(), range.start()) : range;
        Answers answers = Answers.of("name", "zq" + number + "v").and("places", random.nextBoolean() ? "all" : "here");
        answers = switch (operation) {
            case "extract-variable" -> answers.and("type", List.of("style", "explicit", "var").get(random.nextInt(3)));
            case "extract-field" -> answers.and("value", List.of("here", "field", "constructors")
                    .get(random.nextInt(3)));
            case "extract-parameter" -> answers.and("calls", List.of("change", "stay").get(random.nextInt(2)));
            default -> answers.and("duplicates", List.of("leave", "replace").get(random.nextInt(2)));
        };
        return Optional.of(new Subject(number, operation, new Place(file.path(), selection), byKind ? kind
                : "expression",
                operation + " of '" + code.shown(range, 60) + "'", answers));
    }

    private static String kind(TreePath path) {
        return path.getLeaf().getKind().name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static boolean isValue(AttributedFile code, TreePath path) {
        Tree tree = path.getLeaf();
        Tree parent = path.getParentPath().getLeaf();
        Optional<TypeKind> type = code.type(path).map(TypeMirror::getKind);
        boolean hasValue = type.filter(kind -> kind != TypeKind.VOID && kind != TypeKind.NULL
                && kind != TypeKind.EXECUTABLE
                && kind != TypeKind.PACKAGE).isPresent();
        boolean isTarget = parent instanceof AssignmentTree set && set.getVariable() == tree
                || parent instanceof CompoundAssignmentTree changed && changed.getVariable() == tree
                || parent instanceof UnaryTree unary && unary.getKind().name().matches(".*(IN|DE)CREMENT");
        boolean isPart = parent instanceof MethodInvocationTree call && call.getMethodSelect() == tree
                || parent instanceof NewClassTree made && made.getIdentifier() == tree
                || parent instanceof ExpressionStatementTree
                || parent instanceof CaseTree label && label.getBody() != tree
                || parent.getKind().name().matches(".*(CASE_LABEL|PATTERN)")
                || tree instanceof NewArrayTree array && array.getType() == null
                || tree instanceof AnnotationTree || isSuper(tree);
        boolean isInTarget = isThis(tree) && path.getParentPath().getParentPath() != null
                && path.getParentPath().getParentPath().getLeaf() instanceof AssignmentTree set
                && set.getVariable() == parent;
        return hasValue && !isTarget && !isInTarget && !isPart && !declaresVariable(path) && !namesType(code, path)
                && isInBody(path);
    }

    private static boolean isThis(Tree tree) {
        return tree instanceof IdentifierTree name && name.getName().contentEquals("this");
    }

    /** Whether there is a pattern in it, whose variables may be used after it. */
    private static boolean declaresVariable(TreePath path) {
        boolean[] found = {false};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitBindingPattern(BindingPatternTree tree, Void unused) {
                found[0] = true;
                return null;
            }

            @Override
            public Void visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
                return null;
            }
        }.scan(path, null);
        return found[0];
    }

    private static boolean isSuper(Tree tree) {
        return tree instanceof IdentifierTree name && name.getName().contentEquals("super")
                || tree instanceof MemberSelectTree select && select.getIdentifier().contentEquals("super");
    }

    private static boolean namesType(AttributedFile code, TreePath path) {
        Tree.Kind kind = path.getLeaf().getKind();
        Optional<Element> element = code.element(path);
        boolean isTypeTree = kind == Tree.Kind.PRIMITIVE_TYPE || kind == Tree.Kind.ARRAY_TYPE
                || kind == Tree.Kind.PARAMETERIZED_TYPE || kind == Tree.Kind.ANNOTATED_TYPE
                || kind.name().endsWith("WILDCARD") || kind == Tree.Kind.UNION_TYPE
                || kind == Tree.Kind.INTERSECTION_TYPE;
        boolean isName = path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree;
        return isTypeTree || isName && element.filter(found -> found.asType() == null || found.getKind().isClass()
                || found.getKind().isInterface() || found.getKind().name().endsWith("TYPE_PARAMETER")).isPresent();
    }

    /** Within a block or the body of a lambda or arrow, and in no annotation; not in what a constructor calls first. */
    private static boolean isInBody(TreePath path) {
        for (TreePath at = path.getParentPath(); at != null; at = at.getParentPath()) {
            Tree tree = at.getLeaf();
            if (tree instanceof AnnotationTree || tree instanceof ClassTree) {
                return false;
            }
            if (tree instanceof BlockTree) {
                return true;
            }
            if (tree instanceof StatementTree statement && callsConstructor(statement)) {
                return false;
            }
        }
        return false;
    }

    private static boolean callsConstructor(StatementTree statement) {
        return statement instanceof ExpressionStatementTree alone
                && alone.getExpression() instanceof MethodInvocationTree call
                && call.getMethodSelect().toString().matches("(.*\\.)?(this|super)");
    }

    @Override
    Optional<Place> barren(SourceFile file, Random random) {
        return keyword(file, random);
    }

    /** A keyword of a declaration. */
    static Optional<Place> keyword(SourceFile file, Random random) {
        Tokens tokens = file.tokens();
        int token = token(tokens, random);
        boolean isBarren = tokens.kind(token) == TokenKind.KEYWORD
                && Set.of("public", "private", "class", "import", "package").contains(tokens.text(token))
                && !tokens.is(token - 1, '.');
        return isBarren ? Optional.of(new Place(file.path(), tokens.range(token))) : Optional.empty();
    }
}
