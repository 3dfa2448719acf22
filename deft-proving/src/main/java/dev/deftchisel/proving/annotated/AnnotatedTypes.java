package dev.deftchisel.proving.annotated;

import com.sun.source.tree.AnnotatedTypeTree;
import com.sun.source.tree.ArrayTypeTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.PrimitiveTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WildcardTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.TreeScanner;
import com.sun.source.util.Trees;
import java.io.IOException;
import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import javax.lang.model.type.TypeKind;
import javax.tools.Diagnostic;
import javax.tools.JavaCompiler;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;

/**
 * Writes a type-use annotation before every type of a declaration, cast, test or argument in a source text (JLS 4.11).
 */
public final class AnnotatedTypes {

    /** What is written before a type; to be taken away again by {@link #plain}. */
    public static final String MARK = "@harbour.mark.Marked ";
    /** The file that declares the annotation, below a source root. */
    public static final String FILE = "harbour/mark/Marked.java";
    /** The text of that file. */
    public static final String DECLARATION = """
            package harbour.mark;

            import java.lang.annotation.ElementType;
            import java.lang.annotation.Target;

            @Target(ElementType.TYPE_USE)
            public @interface Marked {
            }
            """;

    private AnnotatedTypes() {
    }

    /**
     * The same text with every type annotated.
     *
     * @return empty where it cannot be parsed
     */
    public static Optional<String> annotated(String source) throws IOException {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        boolean[] hasErrors = {false};
        JavacTask task = (JavacTask) compiler.getTask(null, null,
                problem -> hasErrors[0] |= problem.getKind() == Diagnostic.Kind.ERROR,
                List.of("-proc:none"), null, List.of(new Text(source)));
        CompilationUnitTree unit = task.parse().iterator().next();
        if (hasErrors[0]) {
            return Optional.empty();
        }
        Marks marks = new Marks(source, unit, Trees.instance(task).getSourcePositions());
        marks.scan(unit, null);
        StringBuilder text = new StringBuilder(source);
        marks.offsets.descendingSet().forEach(offset -> text.insert(offset, MARK));
        return Optional.of(text.toString());
    }

    /** A text without the annotations. */
    public static String plain(String annotated) {
        return annotated.replace(MARK, "").replaceAll("@Marked ", "")
                .replaceAll("(?m)^import harbour\\.mark\\.Marked;\\R(\\R)?", "");
    }

    private static final class Marks extends TreeScanner<Void, Void> {

        private final String source;
        private final CompilationUnitTree unit;
        private final SourcePositions positions;
        private final TreeSet<Integer> offsets = new TreeSet<>();

        Marks(String source, CompilationUnitTree unit, SourcePositions positions) {
            this.source = source;
            this.unit = unit;
            this.positions = positions;
        }

        @Override
        public Void visitVariable(VariableTree tree, Void unused) {
            if (tree.getType() != null && start(tree.getType()) >= 0
                    && !source.startsWith("var ", start(tree.getType()))) {
                mark(tree.getType());
            }
            return super.visitVariable(tree, null);
        }

        @Override
        public Void visitMethod(MethodTree tree, Void unused) {
            boolean isVoid = tree.getReturnType() instanceof PrimitiveTypeTree primitive
                    && primitive.getPrimitiveTypeKind() == TypeKind.VOID;
            if (tree.getReturnType() != null && !isVoid) {
                mark(tree.getReturnType());
            }
            return super.visitMethod(tree, null);
        }

        @Override
        public Void visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
            return tree.getParameters().stream().allMatch(parameter -> start(parameter.getType()) < start(parameter))
                    ? scan(tree.getBody(), null) : super.visitLambdaExpression(tree, null);
        }

        @Override
        public Void visitTypeCast(TypeCastTree tree, Void unused) {
            mark(tree.getType());
            return super.visitTypeCast(tree, null);
        }

        @Override
        public Void visitInstanceOf(InstanceOfTree tree, Void unused) {
            if (tree.getPattern() == null && tree.getType() != null) {
                mark(tree.getType());
            }
            return super.visitInstanceOf(tree, null);
        }

        private int start(Tree tree) {
            return tree == null ? -1 : (int) positions.getStartPosition(unit, tree);
        }

        private void mark(Tree type) {
            if (type instanceof ArrayTypeTree array) {
                mark(array.getType());
            } else if (type instanceof ParameterizedTypeTree generic) {
                mark(generic.getType());
                generic.getTypeArguments().forEach(this::mark);
            } else if (type instanceof WildcardTree wildcard && wildcard.getBound() != null) {
                mark(wildcard.getBound());
            } else if (type instanceof MemberSelectTree select) {
                int end = (int) positions.getEndPosition(unit, select);
                add(end - select.getIdentifier().length());
            } else if (type instanceof IdentifierTree || type instanceof PrimitiveTypeTree) {
                add(start(type));
            } else if (type instanceof AnnotatedTypeTree annotated) {
                mark(annotated.getUnderlyingType());
            }
        }

        private void add(int offset) {
            if (offset >= 0) {
                offsets.add(offset);
            }
        }
    }

    private static final class Text extends SimpleJavaFileObject {

        private final String content;

        Text(String content) {
            super(URI.create("text:///Text.java"), Kind.SOURCE);
            this.content = content;
        }

        @Override
        public CharSequence getCharContent(boolean ignoreEncodingErrors) {
            return content;
        }
    }
}
