package dev.deftchisel.house;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What documents for developers point at is there. */
class DocumentsTest {

    private static final String CORE = "deft-core/src/main/java/dev/deftchisel";
    private static final Pattern CODE = Pattern.compile("`([^`\\n]+)`");
    private static final Pattern LINK = Pattern.compile("]\\(([^)#:]+)\\)");
    private static final Pattern TYPE = Pattern.compile("([A-Z][a-z]\\w+)(\\.\\w+)*");
    /** Types of tests and of the platform, and names in examples. */
    private static final List<String> OTHERS = List.of("ArchitectureTest", "CyclesTest", "RoomsTest", "ContractsTest",
            "JavadocTest", "ExtensionTest", "RuleExamplesTest", "CancellationException", "WorkspaceEdit", "Outer",
            "Type");

    @Test
    void pathsOfThePageForContributorsExist() throws IOException {
        Set<String> absent = new TreeSet<>();
        Matcher code = CODE.matcher(text("extending.md"));
        while (code.find()) {
            String path = code.group(1).replaceAll("^CORE", CORE);
            boolean isPath = path.matches("deft-[\\w/.-]+|docs/[\\w.]+");
            if (isPath && !Files.exists(OwnSources.root().resolve(path))) {
                absent.add(path);
            }
        }
        assertEquals(Set.of(), absent);
    }

    @Test
    void linksLeadSomewhere() throws IOException {
        Set<String> absent = new TreeSet<>();
        Path docs = OwnSources.root().resolve("docs");
        for (Path page : List.of(docs.resolve("architecture.md"), docs.resolve("extending.md"),
                docs.resolve("guard.md"),
                OwnSources.root().resolve("README.md"))) {
            Matcher link = LINK.matcher(Files.readString(page));
            while (link.find()) {
                if (!Files.exists(page.resolveSibling(link.group(1)))) {
                    absent.add(page.getFileName() + ": " + link.group(1));
                }
            }
        }
        assertEquals(Set.of(), absent);
    }

    @Test
    void typesInDocumentsExist() throws IOException {
        Set<String> own = new HashSet<>(OTHERS);
        OwnSources.main().forEach(file -> file.types((path, type) -> own.add(type.getSimpleName().toString())));
        Set<String> stale = new TreeSet<>();
        for (String page : List.of("architecture.md", "guard.md")) {
            Matcher code = CODE.matcher(text(page));
            while (code.find()) {
                Matcher type = TYPE.matcher(code.group(1));
                if (type.matches() && !own.contains(type.group(1))) {
                    stale.add(page + ": " + type.group(1));
                }
            }
        }
        assertEquals(Set.of(), stale);
    }

    private static String text(String page) throws IOException {
        return Files.readString(OwnSources.root().resolve("docs").resolve(page));
    }
}
