package dev.deftchisel.house;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.sun.source.doctree.DocCommentTree;
import com.sun.source.doctree.ThrowsTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.house.OwnSources.OwnFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Modifier;
import org.junit.jupiter.api.Test;

/** What is promised to those who use the library: what is thrown, which services there are. */
class ContractsTest {

    private static final Path MODULE = Path.of("../deft-core/src/main/java/module-info.java");
    private static final Path SERVICES = Path.of("../deft-core/src/main/resources/META-INF/services");

    /** Exceptions that a method throws itself, or by private methods of its class that it calls. */
    @Test
    void whatExportedMethodsThrowIsDocumented() throws IOException {
        Set<String> exported = statements("exports");
        List<String> silent = new ArrayList<>();
        for (OwnFile file : OwnSources.main()) {
            if (exported.contains(file.packageName())) {
                file.types((path, type) -> silent.addAll(undocumented(file, path, type)));
            }
        }
        assertEquals(List.of(), silent);
    }

    private static List<String> undocumented(OwnFile file, TreePath path, ClassTree type) {
        if (!OwnSources.isPublic(path)) {
            return List.of();
        }
        Map<String, Set<String>> hidden = new HashMap<>();
        List<MethodTree> methods = type.getMembers().stream().filter(MethodTree.class::isInstance)
                .map(MethodTree.class::cast).toList();
        // each pass brings what is thrown one call further up
        for (int pass = 0; pass < 3; pass++) {
            methods.stream().filter(method -> isPrivate(method))
                    .forEach(method -> hidden.computeIfAbsent(method.getName().toString(), name -> new TreeSet<>())
                            .addAll(thrown(method, hidden)));
        }
        List<String> silent = new ArrayList<>();
        for (MethodTree method : methods) {
            boolean isOpen = type.getKind() == Tree.Kind.INTERFACE && !isPrivate(method)
                    || method.getModifiers().getFlags().contains(Modifier.PUBLIC)
                    || method.getModifiers().getFlags().contains(Modifier.PROTECTED);
            if (isOpen && !isOverriding(method)) {
                Set<String> missing = thrown(method, hidden);
                missing.removeAll(documented(file, new TreePath(path, method)));
                missing.forEach(name -> silent.add(file.place(method) + " " + method.getName() + " throws " + name));
            }
        }
        return silent;
    }

    private static boolean isPrivate(MethodTree method) {
        return method.getModifiers().getFlags().contains(Modifier.PRIVATE);
    }

    private static boolean isOverriding(MethodTree method) {
        return method.getModifiers().getAnnotations().stream()
                .anyMatch(annotation -> annotation.getAnnotationType().toString().equals("Override"));
    }

    private static Set<String> thrown(MethodTree method, Map<String, Set<String>> hidden) {
        Set<String> names = new TreeSet<>();
        method.getThrows().forEach(declared -> names.add(simple(declared.toString())));
        new TreeScanner<Void, Void>() {
            @Override
            public Void visitThrow(ThrowTree tree, Void unused) {
                // an assertion is no contract: it says that something cannot happen
                if (tree.getExpression() instanceof NewClassTree created
                        && !created.getIdentifier().toString().equals("AssertionError")) {
                    names.add(simple(created.getIdentifier().toString()));
                }
                return super.visitThrow(tree, null);
            }

            @Override
            public Void visitMethodInvocation(MethodInvocationTree tree, Void unused) {
                if (tree.getMethodSelect() instanceof IdentifierTree name) {
                    names.addAll(hidden.getOrDefault(name.getName().toString(), Set.of()));
                }
                return super.visitMethodInvocation(tree, null);
            }

            @Override
            public Void visitTry(TryTree tree, Void unused) {
                Set<String> before = new TreeSet<>(names);
                scan(tree.getResources(), null);
                scan(tree.getBlock(), null);
                for (CatchTree handler : tree.getCatches()) {
                    // alternatives are written with a bar between them (JLS 14.20)
                    for (String caught : handler.getParameter().getType().toString().split(" *\\| *")) {
                        names.removeIf(name -> !before.contains(name) && name.equals(simple(caught)));
                    }
                }
                scan(tree.getCatches(), null);
                return scan(tree.getFinallyBlock(), null);
            }

            @Override
            public Void visitClass(ClassTree tree, Void unused) {
                return null;
            }

            @Override
            public Void visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
                return null;
            }
        }.scan(method.getBody(), null);
        return names;
    }

    private static Set<String> documented(OwnFile file, TreePath method) {
        DocCommentTree comment = file.trees().getDocCommentTree(method);
        return comment == null ? Set.of() : comment.getBlockTags().stream().filter(ThrowsTree.class::isInstance)
                .map(tag -> simple(((ThrowsTree) tag).getExceptionName().toString())).collect(Collectors.toSet());
    }

    private static String simple(String name) {
        return name.substring(name.lastIndexOf('.') + 1);
    }

    /**
     * Who runs the library on the class path gets the same operations, rules and repairs as who runs it as a module.
     */
    @Test
    void theModuleProvidesWhatTheClassPathProvides() throws IOException {
        Map<String, Set<String>> byModule = new TreeMap<>();
        Matcher provided = Pattern.compile("provides ([\\w.]+) with\\s+([\\w.,\\s]+);")
                .matcher(Files.readString(MODULE));
        while (provided.find()) {
            byModule.put(provided.group(1), new TreeSet<>(List.of(provided.group(2).split(",\\s+"))));
        }
        Map<String, Set<String>> byClassPath = new TreeMap<>();
        try (Stream<Path> files = Files.list(SERVICES)) {
            for (Path file : files.toList()) {
                byClassPath.put(file.getFileName().toString(), Files.readAllLines(file).stream()
                        .filter(line -> !line.isBlank()).collect(Collectors.toCollection(TreeSet::new)));
            }
        }
        assertEquals(byModule, byClassPath);
    }

    /** Services of others need the types that the service's methods name. */
    @Test
    void servicesAreInExportedPackages() throws IOException {
        Set<String> exported = statements("exports");
        Set<String> hidden = new HashSet<>(statements("uses"));
        hidden.removeIf(service -> exported.contains(service.substring(0, service.lastIndexOf('.'))));
        assertEquals(Set.of(), hidden);
    }

    private static Set<String> statements(String word) throws IOException {
        Matcher matcher = Pattern.compile("^    " + word + " ([\\w.]+);", Pattern.MULTILINE)
                .matcher(Files.readString(MODULE));
        Set<String> names = new TreeSet<>();
        while (matcher.find()) {
            names.add(matcher.group(1));
        }
        return names;
    }
}
