package dev.deftchisel.source.outline;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class FileOutlineTest {

    private static final String SOURCE = """
            package harbour . berths;
            import java.util.List;
            import java.util.Map;
            import static java.lang.Math.*;
            @interface Fee { int value() default 3; String[] units() default {"day", "visit"}; }
            /** {@link Map} */
            public class Berth<T extends Comparable<T>> extends Base implements Sized, java.io.Closeable {
                int[] sizes = {1, 2}, more = new int[] {3};
                Runnable task = () -> { run(); };
                static { setUp(); }
                { count++; }
                @Fee(value = 1, units = {}) public Berth(int a) throws Problem { super(a); }
                abstract void open();
                List<String> names() { class Local extends Helper { } return null; }
                enum State { FREE { void go() { leave(); } }, TAKEN(2), ; State(int... n) { } }
                record Slot(int from, int to) implements Sized { Slot { check(from); } }
            }
            interface Sized { default int size() { return 0; } }
            """;

    private final FileOutline outline = FileOutline.of(Tokens.of(SOURCE));

    private List<String> bodies() {
        return outline.bodies().stream()
                .map(body -> SOURCE.substring(body.start(), body.end()).strip())
                .toList();
    }

    @Test
    void thePackageIsReadThroughBlanks() {
        assertEquals("harbour.berths", outline.packageName());
    }

    @Test
    void bodiesOfMembersAreFoundAndInitialisersAreNot() {
        assertEquals(List.of("setUp();", "count++;", "super(a);", "class Local extends Helper { } return null;",
                "leave();", "", "check(from);", "return 0;"), bodies());
    }

    @Test
    void typesAreFoundEverywhereWithTheirSupertypes() {
        assertEquals(List.of("Fee", "Berth", "Berth.Local", "Berth.State", "Berth.Slot", "Sized"),
                outline.types().stream().map(TypeOutline::nestedName).toList());
        assertEquals(Set.of("Comparable", "T", "Base", "Sized", "java", "io", "Closeable"),
                outline.types().get(1).supers());
        assertEquals(List.of(true, true, false, false, false, true),
                outline.types().stream().map(TypeOutline::isTopLevel).toList());
    }

    @Test
    void blankingKeepsEveryOffset() {
        String blank = outline.blank(SOURCE, body -> false, wanted -> false);
        assertEquals(SOURCE.length(), blank.length());
        assertEquals(SOURCE.indexOf("interface Sized"), blank.indexOf("interface Sized"));
        assertTrue(!blank.contains("leave") && blank.contains("import java.util.List")
                && blank.contains("{@link Map}"));
    }

    @Test
    void declarationsAreWithoutBodiesCommentsAndNeedlessImports() {
        String declarations = outline.declarations(SOURCE);
        assertTrue(!declarations.contains("Map") && !declarations.contains("check(from)"), declarations);
        assertTrue(declarations.contains("import java.util.List;") && declarations.contains("Math.*"), declarations);
    }

    @Test
    void membersAreFoundWithTheirParameters() {
        String source = """
                @Deprecated class Berth<T> extends Place {
                    private Map<String, Integer> a, b = new HashMap<String, Integer>(), c = null;
                    static { int no = 1; }
                    Berth(int length, @Old final String... names) { int no; }
                    abstract <R> List<R> all(Map<String,T> by);
                    record Line(int from, int to) { Line { check(from); } }
                    enum State { FREE, TAKEN(2) { void go() { } }; State(int... n) { } }
                    @interface Mark { String value() default "x"; }
                }
                interface Sized { }
                """;
        List<MemberOutline> members = FileOutline.of(Tokens.of(source)).members();
        assertEquals("""
                FIELD a, FIELD c, FIELD b, CONSTRUCTOR Berth(int length, @Old final String... names), METHOD all(Map<String,T> by), \
                CONSTRUCTOR Line, RECORD Line, ENUM_CONSTANT FREE, METHOD go(), ENUM_CONSTANT TAKEN, CONSTRUCTOR State(int... n), \
                ENUM State, METHOD value(), ANNOTATION Mark, CLASS Berth, INTERFACE Sized""",
                members.stream().map(member -> member.kind() + " " + member.signature(source))
                .collect(Collectors.joining(", ")));
        assertEquals("@Deprecated class Berth", source.substring(members.get(14).range().start()).substring(0, 23));
        assertEquals("abstract <R> List<R> all(Map<String,T> by);", text(source, members.get(4).range()));
        assertEquals("all", text(source, members.get(4).nameRange()));
    }

    @Test
    void aFileMayBeginWithAType() {
        assertEquals(List.of("INTERFACE A", "ANNOTATION B"), Stream.of("interface A { }", "@interface B { }")
                .map(source -> FileOutline.of(Tokens.of(source)).members().get(0))
                .map(member -> member.kind() + " " + member.name()).toList());
    }

    private static String text(String source, Range range) {
        return source.substring(range.start(), range.end());
    }

    @Test
    void onlyValuesOfConstantsAreDeclared() {
        String source = """
                class Berth {
                    static final int DEPTH = 12;
                    static final String NAME = "A" + DEPTH;
                    static final java.lang.String FULL = "B";
                    @Deprecated final List<String> names = new ArrayList<>(/* all */ List.of(NAME)) { void go() { a = b; } };
                    int[] tides = {1, 2}, more[] = {};
                    int[] loads = {1, 2};
                    private Berth[] next = {new Berth()};
                    Tide a, b = new Tide(1);
                }
                """;
        assertEquals("""
                class Berth {
                    static final int DEPTH = 12;
                    static final String NAME = "A" + DEPTH;
                    static final java.lang.String FULL = "B";
                    @Deprecated final List<String> names =null;
                    int[] tides = {1, 2}, more[] = {};
                    int[] loads =null;
                    private Berth[] next =null;
                    Tide a, b =null;
                }
                """, FileOutline.of(Tokens.of(source)).declarations(source));
    }

    @Test
    void whatIsPrivateDoesNotShow() {
        String open = """
                class Berth {
                    int depth;
                    void moor() { }
                }
                """;
        String more = """
                class Berth {
                    int depth;

                    // counted by hand
                    private final int count = 0;
                    @Deprecated private List<String> names(int a, int b) { return null; }
                    void moor() { count(); }
                }
                """;
        assertEquals(openDeclarations(open), openDeclarations(more));
    }

    @Test
    void aPrivateConstantShowsInAnOpenOneThatIsMadeOfIt() {
        String source = "class Berth { private static final int HALF = 2; private static final int FULL = 2 * HALF; "
                + "%s int ALL = FULL; }";
        assertTrue(!openDeclarations(source.formatted("private")).contains("HALF"));
        assertTrue(openDeclarations(source.formatted("static final")).contains("HALF = 2"));
    }

    @Test
    void privateFieldsThatAreDeclaredTogetherAreNotToldApart() {
        assertTrue(openDeclarations("class Berth { private int a = 1, b = 2; private int c, d; }")
                .contains("b = 2; private int c, d"));
    }

    private static String openDeclarations(String source) {
        return FileOutline.of(Tokens.of(source)).openDeclarations(source);
    }

    @Test
    void bracesThatDoNotMatchGiveNoBodies() {
        assertEquals(List.of(), FileOutline.of(Tokens.of("class A { void a() { if (x) { }")).bodies());
    }
}
