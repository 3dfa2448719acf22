package dev.deftchisel.source.outline;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.source.Tokens;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FileHeaderTest {

    @Test
    void thePackageAndTheTypesOutsideOfBraces() {
        assertEquals(new FileHeader("harbour.berths", List.of("Berth", "Slot"), Set.of("Berth", "Inner", "Slot")),
                FileHeader.of("""
                package harbour . /* the quays */ berths;
                import java.util.*;
                @Fee({1, 2}) class Berth { class Inner { } }
                // class Gone { }
                record Slot(int from) { }
                """));
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "class A { String s = \"}{\"; char c = '}', d = '\\''; } class B { }",
        "class A { String s = \"\"\"\n } \\\"\"\" { \" \"\"\"; } interface B { }",
        "class A { /* } */ // }\n } enum B { X { }; }",
        "class A { String open = \"}\n } class B { }",
        "class A { } } class B { }",
        "class A { { class B { }",
        "class A { /* never closed",
        "class A { String s = \"\"\" never closed",
        "/* package gone; */ package a.b; @interface /* { */ A { }",
        "class A<T extends B> extends C<D> implements @E({1, 2}) F, g.H { class I extends /* { */ J { } }",
        "class A { void m() { record R(int n) implements S { } interfaces(\"class Z\"); Class<?> c = A.class; } }",
        "class A { int n = 4 / 2; char c = '\\u007d'; } class B { }",
        "\\u0063lass A { } class B { }",
        ""})
    void saysTheSameAsTheSkeleton(String source) {
        assertSame(FileOutline.of(Tokens.of(source)), FileHeader.of(source));
    }

    @Test
    void saysTheSameAsTheSkeletonOfEverySourceHere() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("src"))) {
            List<String> sources = files.filter(file -> file.toString().endsWith(".java")).map(FileHeaderTest::read)
                    .toList();
            sources.forEach(source -> assertSame(FileOutline.of(Tokens.of(source)), FileHeader.of(source)));
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static void assertSame(FileOutline outline, FileHeader header) {
        assertEquals(outline.packageName(), header.packageName());
        assertEquals(outline.types().stream().filter(TypeOutline::isTopLevel).map(TypeOutline::name).toList(),
                header.types());
        outline.types().forEach(type -> {
            assertTrue(header.headerNames().contains(type.name()), type::name);
            assertTrue(header.headerNames().containsAll(type.supers()), () -> type + " " + header);
        });
    }
}
