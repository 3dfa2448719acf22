package dev.deftchisel.header;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What reads as a header, and what is said of what does not. */
class HeaderReaderTest {

    private static String parts(String text) {
        TypedHeader header = HeaderReader.read(text).header().orElseThrow();
        return header.at(header.head().modifiers()) + "|" + header.head().result().map(header::at).orElse("-") + "|"
                + header.at(header.name()) + "|" + header.parameters().stream().map(one -> header.at(one.modifiers())
                + ":" + header.at(one.type()) + ":" + header.at(one.name()) + one.value().map(value -> "="
                + header.at(value)).orElse("")).toList() + "|" + header.thrown().map(header::at).orElse("-");
    }

    @Test
    void everythingMayBeLeftOutButNameAndParameters() {
        assertEquals("|-|due|[]|-", parts("due()"));
        assertEquals("|int|due|[:int:days]|-", parts("int due(int days);"));
        assertEquals("public static|List<Map<String, int[]>>|all|[]|-",
                parts("public static List<Map<String, int[]>> all() {"));
        assertEquals("@Deprecated(since = \"(2)\") final|void|due|[]|IOException, Error",
                parts("@Deprecated(since = \"(2)\") final void due() throws IOException, Error"));
    }

    @Test
    void parametersHaveModifiersAndValues() {
        assertEquals("|-|due|[final @A(1):int...:days]|-", parts("due(final @A(1) int... days)"));
        assertEquals("|-|due|[:int:a=max(1, 2), :Map<K, V>:b=new HashMap<K, V>(), :boolean:c=1 < 2, :int:d]|-",
                parts("due(int a = max(1, 2), Map<K, V> b = new HashMap<K, V>(), boolean c = 1 < 2, int d)"));
        assertEquals("|-|due|[:Supplier<String>:a=() -> \"a,b\", :int[][]:b]|-",
                parts("due(Supplier<String> a = () -> \"a,b\", int[][] b)"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            due                |  4 | a name and its parameters in parentheses are expected, such as 'int due(int days)'
            due(int)           |  5 | a parameter is a type and a name, such as 'int days'
            due(int a          |  4 | '(' is not closed
            due(int a,)        | 11 | a parameter is expected after ','
            due(int a = )      | 13 | what calls pass is expected after '='
            due(int a, int a)  | 16 | two parameters are called 'a'
            due(int a) return  | 12 | this does not belong to a header
            (int a)            |  1 | a name and its parameters in parentheses are expected, such as 'int due(int days)'
            """)
    void whatIsWrongIsSaidWithItsPlace(String text, int column, String sentence) {
        HeaderReader.Result read = HeaderReader.read(text);
        assertEquals("in the header, column " + column + ": " + sentence, read.objection());
    }

    @Test
    void parametersAreFoundAgainByNameThenByTypeThenByPlace() {
        List<ParameterOrigins.Known> known = HeaderReader.read("m(int a, int b, String c)").header()
                .orElseThrow().known();
        assertEquals(List.of(1, 0, 2), origins(known, "m(int b, int a, String c)"));
        assertEquals(List.of(0, 1, 2), origins(known, "m(int a, int b, String name)"));
        assertEquals(List.of(0, 1, 2), origins(known, "m(int x, int y, String c)"));
        assertEquals(List.of(0, -1, 1, 2), origins(known, "m(int a, int x = 3, int b, String c)"));
        assertEquals(List.of(-1), origins(known, "m(long x)"));
    }

    private static List<Integer> origins(List<ParameterOrigins.Known> known, String typed) {
        return ParameterOrigins.of(known, HeaderReader.read(typed).header().orElseThrow().known(), Map.of());
    }
}
