package dev.deftchisel.analysis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.source.util.JavacTask;
import dev.deftchisel.Chisel;
import dev.deftchisel.Navigator;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.compiler.SnapshotFileManager;
import dev.deftchisel.analysis.declared.DeclaredClass;
import dev.deftchisel.analysis.scope.CompilationScope;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.ElementFilter;
import javax.lang.model.util.Elements;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The JDK prints what a compiler read of a source and of the class files that stand for it: it must be the same. Only
 * whether a constructor was written in its compact form (JLS 8.10.4.2) is not in class files.
 */
class DeclaredClassesTest {

    private static final String DECLARATIONS = """
            package harbour;

            import java.io.IOException;
            import java.lang.annotation.Retention;
            import java.lang.annotation.RetentionPolicy;
            import java.util.Comparator;
            import java.util.List;
            import java.util.Map;
            import java.util.function.Function;

            @Retention(RetentionPolicy.SOURCE)
            @interface Surveyed {
                String by() default "pilot\\n";
                int[] depths() default {1, 2};
                Class<?> type() default Map.Entry.class;
                Tide tide() default Tide.LOW;
                Deprecated old() default @Deprecated(since = "1");
                Class<? extends Comparable<?>>[] others() default {};
                char sign() default 'x';
                boolean isSafe() default true;
                byte few() default 3;
            }

            enum Tide implements Comparator<String> {
                LOW("l") { void turn() { } }, HIGH("h");

                static final short SHORT = 4;

                Tide(String sign) { }

                void turn() { }

                @Override public int compare(String one, String other) { return 0; }
            }

            sealed interface Place<T extends Comparable<? super T> & java.io.Serializable> permits Berth, Quay {
                long LENGTH = 12L * 2;
                float WIDTH = 1.5f;
                double DEPTH = -0.0;
                char SIGN = '\\u0041';
                boolean IS_OPEN = !false;
                byte FEW = (byte) 200;
                String NAME = "berth " + LENGTH;

                <E extends Exception> T find(Function<? super T, ? extends List<? extends T[]>> by, E... errors) throws E, IOException;

                default int room() { return 1; }

                static void open() { }

                private void close() { }
            }

            record Berth<T extends Comparable<? super T> & java.io.Serializable>(@Deprecated int number, List<T>... names)
                    implements Place<T> {
                Berth(int number, List<T>... names) {
                    this.number = number;
                    this.names = names;
                }

                Berth(int number) { this(number, new List[0]); }

                @Surveyed(by = "me", depths = 7, type = int[].class, tide = Tide.HIGH)
                public <E extends Exception> T find(Function<? super T, ? extends List<? extends T[]>> by, E... errors) {
                    return null;
                }
            }

            final class Quay<K extends Comparable<? super K> & java.io.Serializable> extends Harbour<K>.Inner<Integer>
                    implements Place<K> {
                Quay(Harbour<K> harbour) { harbour.super(1, null); }

                public <E extends Exception> K find(Function<? super K, ? extends List<? extends K[]>> by, E... errors) { return null; }
            }

            /** @deprecated by a comment */
            abstract class Harbour<T> {
                protected transient volatile int count;
                final int fixed = 7;
                private static final Object NONE = new Object();
                Map<String, ? super T[][]> plan;
                Harbour<String>.Inner<T>.Deepest<Long> deep;
                static int[] counts(int a[])[] { return null; }

                @Deprecated
                abstract void turn();

                native int depth();

                class Inner<I> {
                    private Inner(int number, T value) { }

                    class Deepest<D> { }

                    private static class Hidden { Hidden() { } }
                }

                protected static class Nested<T extends Nested<T>> { }

                interface Listener { void heard(T2 type); class T2 { } }
            }
            """;

    @TempDir
    private Path folder;

    /** Fields come before methods in a class file, so only members of one kind are in order. */
    private static String shown(Elements elements, String type) {
        StringWriter printed = new StringWriter();
        TypeElement element = elements.getTypeElement(type);
        elements.printElements(printed, element);
        StringBuilder shown = new StringBuilder();
        printed.toString().lines().filter(line -> !line.isBlank()).sorted().forEach(line -> shown.append(line + "\n"));
        for (TypeElement one : withNested(element).toList()) {
            List<? extends Element> members = one.getEnclosedElements();
            Stream.of(ElementFilter.fieldsIn(members), ElementFilter.constructorsIn(members),
                            ElementFilter.methodsIn(members), ElementFilter.typesIn(members))
                    .flatMap(List::stream)
                    .forEach(member -> shown.append(one + " " + member + " " + member.asType() + " "
                            + elements.isDeprecated(member) + " " + elements.getOrigin(member) + "\n"));
            shown.append(one.getPermittedSubclasses() + " " + one.getRecordComponents() + "\n");
        }
        return shown.toString();
    }

    private static Stream<TypeElement> withNested(TypeElement type) {
        return Stream.concat(Stream.of(type), ElementFilter.typesIn(type.getEnclosedElements()).stream()
                .flatMap(DeclaredClassesTest::withNested));
    }

    private static Elements elements(Libraries libraries, Snapshot snapshot, Map<Path, List<DeclaredClass>> classes,
            Set<SourceFile> read, DeclaredClasses kept) {
        CompilationScope scope = CompilationScope.of(snapshot).get(0);
        SnapshotFileManager manager = new SnapshotFileManager(libraries.manager(scope.classPath()),
                libraries.additions(), snapshot.files().stream(), classes);
        JavacTask task = (JavacTask) libraries.compiler().getTask(null, manager, found -> { },
                List.of("-proc:none", "-parameters"), null, null);
        read.addAll(snapshot.files());
        kept.ran(scope, task.getElements(), task.getTypes(), read);
        return task.getElements();
    }

    @Test
    void aCompilerReadsTheSameFromThem() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        Path file = workspace.write("harbour/Declarations.java", DECLARATIONS);
        Snapshot snapshot = workspace.snapshot();
        try (Libraries libraries = new Libraries()) {
            DeclaredClasses kept = new DeclaredClasses(AdditionsReader.installed());
            Set<SourceFile> read = new LinkedHashSet<>();
            Elements sources = elements(libraries, snapshot, Map.of(), read, kept);
            Map<Path, List<DeclaredClass>> classes = kept.of(snapshot, CompilationScope.of(snapshot).get(0),
                    Set.of());
            assertEquals(Set.of(file), classes.keySet());
            Elements fromClasses = elements(libraries, snapshot, classes, new LinkedHashSet<>(), kept);
            for (String type : snapshot.source(file).header().types()) {
                assertEquals(shown(sources, "harbour." + type), shown(fromClasses, "harbour." + type));
            }
        }
    }

    private static Optional<Object> value(Chisel chisel, Path file) {
        int name = chisel.snapshot().source(file).content().lastIndexOf("DEPTH");
        return chisel.navigator().typed(new Place(file, new Range(name, name))).flatMap(Navigator.Typed::value);
    }

    @Test
    void aConstantThatChangesElsewhereIsSeen() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        Path tides = workspace.write("harbour/Tides.java",
                "package harbour; class Tides { static final int LOW = 3; }");
        workspace.write("harbour/Depths.java",
                "package harbour; class Depths { static final int DEPTH = Tides.LOW + 1; void turn() { } }");
        Path pier = workspace.write("harbour/Pier.java",
                "package harbour; class Pier { int depth() { return Depths.DEPTH; } }");
        try (Chisel chisel = Chisel.open(workspace.request(), Monitor.SILENT)) {
            for (int low : List.of(3, 3, 5, 5, 6)) {
                chisel.edited(Map.of(tides, "package harbour; class Tides { static final int LOW = " + low + "; }",
                        pier, chisel.snapshot().source(pier).content().replace("return", "; return")));
                assertEquals(Optional.of((Object) (low + 1)), value(chisel, pier));
            }
        }
    }

    @Test
    void aFileWhoseDeclarationsAreBrokenIsReadEachTime() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        workspace.write("harbour/Broken.java", "package harbour; class Broken { Missing none; int depth; }");
        Path pier = workspace.write("harbour/Pier.java",
                "package harbour; class Pier { int depth(Broken broken) { return broken.depth; } }");
        try (Chisel chisel = Chisel.open(workspace.request(), Monitor.SILENT)) {
            String text = chisel.snapshot().source(pier).content();
            int name = text.lastIndexOf("depth");
            for (int keys = 1; keys < 4; keys++) {
                chisel.edited(Map.of(pier, text.replace("return broken", "return" + " ".repeat(keys) + "broken")));
                Place place = new Place(pier, new Range(name + keys - 1, name + keys - 1));
                assertEquals(2, chisel.navigator().uses(place).orElseThrow().all().size());
            }
        }
    }

    @Test
    void whatNamesATypeInATextIsReadFromItsText() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        Path place = workspace.write("harbour/Place.java", "package harbour; class Place { static class Deep { } }");
        Path berth = workspace.write("harbour/Berth.java", "package harbour; class Berth { Place.Deep deep; }");
        Path pier = workspace.write("harbour/Pier.java", "package harbour; class Pier { Berth berth; Place place; }");
        Snapshot snapshot = workspace.snapshot();
        CompilationScope scope = CompilationScope.of(snapshot).get(0);
        try (Libraries libraries = new Libraries()) {
            DeclaredClasses kept = new DeclaredClasses(AdditionsReader.installed());
            Set<SourceFile> read = new LinkedHashSet<>();
            elements(libraries, snapshot, Map.of(), read, kept);
            read.remove(snapshot.source(place));
            assertEquals(Set.of(pier), kept.of(snapshot, scope, Set.of()).keySet());
            assertEquals(Set.of(pier, berth), kept.of(snapshot, scope, Set.of(place)).keySet());
        }
    }

    @Test
    void keysTypedIntoBodiesLeaveThemAsTheyAre() throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        Path file = workspace.write("harbour/Declarations.java", DECLARATIONS);
        Snapshot snapshot = workspace.snapshot();
        Snapshot typed = snapshot.with(Map.of(file, Optional.of(DECLARATIONS.replace("return 1;", "return 2 ;"))),
                Map.of());
        Snapshot declaring = snapshot.with(Map.of(file, Optional.of(DECLARATIONS.replace("int room", "long room"))),
                Map.of());
        CompilationScope scope = CompilationScope.of(snapshot).get(0);
        try (Libraries libraries = new Libraries()) {
            DeclaredClasses kept = new DeclaredClasses(AdditionsReader.installed());
            elements(libraries, snapshot, Map.of(), new LinkedHashSet<>(), kept);
            assertFalse(kept.of(snapshot, scope, Set.of()).isEmpty());
            assertFalse(kept.of(typed, scope, Set.of()).isEmpty());
            assertTrue(kept.of(declaring, scope, Set.of()).isEmpty());
        }
    }
}
