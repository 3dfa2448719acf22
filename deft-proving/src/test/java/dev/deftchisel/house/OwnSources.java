package dev.deftchisel.house;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.DocTrees;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.stream.Stream;
import javax.lang.model.element.Modifier;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;

/** The sources of all modules of this project, parsed. */
final class OwnSources {

    /**
     * One file.
     *
     * @param path relative to the project's root
     */
    record OwnFile(Path path, CompilationUnitTree unit, DocTrees trees) {

        String packageName() {
            return unit.getPackageName().toString();
        }

        String place(Tree tree) {
            return path + ":" + unit.getLineMap().getLineNumber(trees.getSourcePositions()
                    .getStartPosition(unit, tree));
        }

        /** Goes to each type with a name. */
        void types(BiConsumer<TreePath, ClassTree> each) {
            new TreePathScanner<Void, Void>() {
                @Override
                public Void visitClass(ClassTree tree, Void unused) {
                    if (!tree.getSimpleName().isEmpty()) {
                        each.accept(getCurrentPath(), tree);
                    }
                    return super.visitClass(tree, null);
                }
            }.scan(unit, null);
        }
    }

    private OwnSources() {
    }

    static Path root() throws IOException {
        return Path.of("..").toRealPath();
    }

    /** Files of main code, of all modules; without the demo, and without what only describes a package or module. */
    static List<OwnFile> main() throws IOException {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        List<OwnFile> files = new ArrayList<>();
        try (StandardJavaFileManager manager = compiler.getStandardFileManager(null, null, null)) {
            JavacTask task = (JavacTask) compiler.getTask(null, manager, problem -> { }, List.of("-proc:none"), null,
                    manager.getJavaFileObjectsFromPaths(paths()));
            DocTrees trees = DocTrees.instance(task);
            for (CompilationUnitTree unit : task.parse()) {
                files.add(new OwnFile(root().relativize(Path.of(unit.getSourceFile().toUri())), unit, trees));
            }
        }
        return files;
    }

    private static List<Path> paths() throws IOException {
        List<Path> found = new ArrayList<>();
        try (Stream<Path> modules = Files.list(root())) {
            for (Path folder : modules.map(module -> module.resolve("src/main/java")).filter(Files::isDirectory)
                    .sorted().toList()) {
                try (Stream<Path> files = Files.walk(folder)) {
                    files.filter(file -> file.toString().endsWith(".java") && !file.getFileName().toString()
                            .contains("-info"))
                            .sorted().forEach(found::add);
                }
            }
        }
        return found;
    }

    /** Whether code of other modules may use a type. */
    static boolean isPublic(TreePath type) {
        for (TreePath at = type; at != null; at = at.getParentPath()) {
            boolean isInInterface = at.getParentPath() != null && at.getParentPath().getLeaf()
                    .getKind() == Tree.Kind.INTERFACE;
            if (at.getLeaf() instanceof ClassTree one && !one.getModifiers().getFlags().contains(Modifier.PUBLIC)
                    && !isInInterface) {
                return false;
            }
        }
        return true;
    }
}
