package dev.deftchisel.proving.mistake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.proving.program.Runner;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;

/**
 * The first fix of mistakes that people make: those of each sort that must always be mended, and what is said of the
 * others.
 */
class FirstFixTest {

    /** One in so many is tried here; the command tries all. */
    private static final int EACH = 31;

    @Test
    void aMistakeIsACodeAndWhatItShouldPrint() {
        List<Mistake> read = Mistake.parse("syntax",
                "=== one\nclass A { }\n--- prints\n1\n2\n=== two\nclass B { }\n--- prints\n");
        assertEquals(List.of(new Mistake("syntax", "one", "class A { }\n", "1\n2\n"),
                new Mistake("syntax", "two", "class B { }\n", "")), read);
    }

    @Test
    void namesAreUnique() throws IOException {
        List<String> names = Mistake.all().stream().map(Mistake::name).toList();
        assertEquals(names.stream().distinct().toList(), names);
        assertTrue(names.size() > 380);
    }

    @TestFactory
    Stream<DynamicTest> theFirstFixIsWhatWasMeant() throws IOException {
        List<Mistake> all = Mistake.all();
        List<DynamicTest> tests = new ArrayList<>();
        for (int i = 0; i < all.size(); i += EACH) {
            Mistake mistake = all.get(i);
            if (!mistake.sort().equals("second")) {
                tests.add(DynamicTest.dynamicTest(mistake.sort() + "/" + mistake.name(), () -> {
                    try (Runner runner = new Runner()) {
                        FirstFix.Result result = new FirstFix(runner).of(mistake);
                        assertEquals(FirstFix.Verdict.MEANT, result.verdict(), result::toString);
                        assertEquals(List.of(), result.idle());
                    }
                }));
            }
        }
        return tests.stream();
    }
}
