package dev.deftchisel.extract.flow;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** When two pieces of code do the same. */
class TreeMatchTest {

    @TempDir
    private Path folder;

    /** The values that differ; "no" when the two marked fragments are not alike. */
    private String differing(String members) throws IOException {
        FragmentSample sample = FragmentSample.of(folder, members);
        Optional<TreeMatch.Match> found = TreeMatch.of(sample.code(), sample.fragments().get(0), sample.code(),
                sample.fragments().get(1));
        return found.map(likeness -> likeness.varied().stream()
                .map(path -> sample.code().text(path.getLeaf())).collect(Collectors.joining(", "))).orElse("no");
    }

    @Test
    void theSameTokens() throws IOException {
        assertEquals("", differing("void a() { «rate = 2 * rate;» } void b() { «rate = 2 * rate;» }"));
    }

    @Test
    void otherWhiteSpaceAndComments() throws IOException {
        assertEquals("", differing("void a() { «rate = 2 * rate;» } void b() { «rate =\n 2 /* twice */ * rate;» }"));
    }

    @Test
    void otherNamesOfVariables() throws IOException {
        assertEquals("", differing("void a(int x) { «int y = x; rate = y + x;» } void b(int days) { «int due = days; "
                + "rate = due + days;» }"));
    }

    @Test
    void namesMustGoTogether() throws IOException {
        assertEquals("no", differing("void a(int x) { «int y = x; rate = y + y;» } void b(int d) { «int e = d; rate = "
                + "e + d;» }"));
    }

    @Test
    void otherValuesOfTheSameType() throws IOException {
        assertEquals("3", differing("void a(int x) { «rate = 3 * x;» } void b(int x) { «rate = 4 * x;» }"));
    }

    @Test
    void valuesOfOtherTypesAreNotAlike() throws IOException {
        assertEquals("no", differing("void a(Object o) { «o.equals(3);» } void b(Object o) { «o.equals(\"3\");» }"));
    }

    @Test
    void otherFieldsAndMethodsAreNotAlike() throws IOException {
        assertEquals("no", differing("int count; void a() { «rate = 1;» } void b() { «count = 1;» }"));
        assertEquals("no", differing("void c() {} void d() {} void a() { «c();» } void b() { «d();» }"));
    }

    @Test
    void otherOperatorsAreNotAlike() throws IOException {
        assertEquals("no", differing("void a(int x) { «rate += x;» } void b(int x) { «rate -= x;» }"));
    }

    @Test
    void anotherTypeIsNotAlike() throws IOException {
        assertEquals("no", differing("void a() { «List<String> x = new ArrayList<>();» } void b() { «List<String> x = "
                + "new LinkedList<>();» }"));
    }
}
