package dev.deftchisel.added;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.TreeScanner;
import com.sun.source.util.Trees;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.Insertion;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.net.URI;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.ServiceLoader;
import java.util.WeakHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;

/** Asks all services what is added to the types of a file; kept as long as the file is the same. */
public final class AdditionsReader {

    private final List<AddedMembers> services;
    private final Map<SourceFile, Additions> known = new WeakHashMap<>();
    private final Map<SourceFile, String> declared = new WeakHashMap<>();

    /** @param services in any order */
    public AdditionsReader(List<AddedMembers> services) {
        this.services = List.copyOf(services);
    }

    /** With the services on the class path. */
    public static AdditionsReader installed() {
        List<AddedMembers> found = new ArrayList<>();
        ServiceLoader.load(AddedMembers.class, AdditionsReader.class.getClassLoader()).forEach(found::add);
        return new AdditionsReader(found);
    }

    /** The same with one more service. */
    public AdditionsReader and(AddedMembers service) {
        return new AdditionsReader(Stream.concat(services.stream(), Stream.of(service)).toList());
    }

    /** Whether one of the services says what an annotation processor would add. */
    public boolean standsFor(Library processor) {
        return services.stream().anyMatch(service -> service.standsFor(processor));
    }

    /** What is added to a file. */
    public synchronized Additions of(SourceFile file) {
        List<AddedMembers> concerned = services.stream().filter(service -> service.concerns(file)).toList();
        return concerned.isEmpty() ? Additions.NONE : known.computeIfAbsent(file, key -> read(key, concerned));
    }

    /** What a file declares, see {@link SourceFile#declarations}, with what is added. */
    public synchronized String declarations(SourceFile file) {
        Additions additions = of(file);
        return additions.isEmpty() ? file.declarations()
                : declared.computeIfAbsent(file, key -> key.outline()
                        .declarations(key.content(), additions.insertions()));
    }

    private static Additions read(SourceFile file, List<AddedMembers> services) {
        JavaFileObject source = new SimpleJavaFileObject(URI.create("text:///Text.java"), JavaFileObject.Kind.SOURCE) {
            @Override
            public CharSequence getCharContent(boolean ignoreEncodingErrors) {
                return file.content();
            }
        };
        List<String> options = new ArrayList<>(List.of("-proc:none", "-nowarn"));
        options.addAll(file.module().java().parserOptions());
        JavacTask task = (JavacTask) ToolProvider.getSystemJavaCompiler()
                .getTask(null, null, found -> { }, options, null, List.of(source));
        try {
            CompilationUnitTree unit = task.parse().iterator().next();
            Scanner scanner = new Scanner(file, unit, Trees.instance(task).getSourcePositions(), services);
            scanner.scan(unit, null);
            return new Additions(scanner.insertions, scanner.members, scanner.throwing);
        } catch (IOException impossible) {
            throw new IllegalStateException("the text is in memory", impossible);
        }
    }

    /** Asks for each type but those in bodies. */
    private static final class Scanner extends TreeScanner<Void, Void> {

        private final SourceFile file;
        private final CompilationUnitTree unit;
        private final SourcePositions positions;
        private final List<AddedMembers> services;
        private final Deque<String> names = new ArrayDeque<>();
        private final List<Insertion> insertions = new ArrayList<>();
        private final List<Additions.OfType> members = new ArrayList<>();
        private final List<Range> throwing = new ArrayList<>();

        Scanner(SourceFile file, CompilationUnitTree unit, SourcePositions positions, List<AddedMembers> services) {
            this.file = file;
            this.unit = unit;
            this.positions = positions;
            this.services = services;
        }

        @Override
        public Void visitClass(ClassTree tree, Void unused) {
            names.addLast(tree.getSimpleName().toString());
            AnnotatedType type = new AnnotatedType(file, unit, tree, positions, String.join(".", names));
            int end = (int) positions.getEndPosition(unit, tree);
            boolean isWhole = end > 0 && end <= file.content().length() && file.content().charAt(end - 1) == '}';
            if (isWhole) {
                List<Added> added = services.stream().flatMap(service -> service.members(type).stream()).toList();
                String text = added.stream().map(Added::text).filter(one -> !one.isEmpty())
                        .collect(Collectors.joining(" "));
                if (!added.isEmpty()) {
                    members.add(new Additions.OfType(String.join(".", names), added));
                }
                if (!text.isEmpty()) {
                    insertions.add(new Insertion(end - 1, (isOnlyConstants(tree, end) ? ";" : " ") + text + " ", true));
                }
                services.forEach(service -> insertions.addAll(service.modifiers(type)));
            }
            tree.getMembers().forEach(member -> {
                if (member instanceof ClassTree) {
                    scan(member, null);
                } else if (member instanceof MethodTree method
                        && services.stream().anyMatch(service -> service.mayThrowAnything(type, method))) {
                    throwing.add(type.range(method));
                }
            });
            names.removeLast();
            return null;
        }

        /** Whether the constants of an enum have no semicolon after them. */
        private boolean isOnlyConstants(ClassTree tree, int end) {
            int last = file.tokens().codeBefore(file.tokens().at(end - 1) - 1);
            return tree.getKind() == Tree.Kind.ENUM && last >= 0 && !file.tokens().is(last, ';')
                    && tree.getMembers().stream().noneMatch(member -> member instanceof ClassTree
                    || member instanceof MethodTree method && positions.getEndPosition(unit, method) > 0);
        }
    }
}
