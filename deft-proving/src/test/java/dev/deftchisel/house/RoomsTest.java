package dev.deftchisel.house;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import dev.deftchisel.house.OwnSources.OwnFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * What makes code easy to find: names that stand once, packages that can be taken in at a glance, short lines and
 * parameter lists.
 */
class RoomsTest {

    private static final int MOST_FILES = 15;
    private static final int LONGEST_LINE = 120;
    private static final int MOST_PARAMETERS = 5;
    private static final String TEXT_BLOCK = "\"".repeat(3);

    @Test
    void noTwoTopLevelTypesHaveTheSameSimpleName() throws IOException {
        Map<String, List<Path>> byName = new TreeMap<>();
        for (OwnFile file : OwnSources.main()) {
            file.types((path, type) -> {
                if (path.getParentPath().getLeaf() instanceof CompilationUnitTree) {
                    byName.computeIfAbsent(type.getSimpleName().toString(), name -> new ArrayList<>()).add(file.path());
                }
            });
        }
        byName.values().removeIf(files -> files.size() == 1);
        assertEquals(Map.of(), byName);
    }

    @Test
    void aPackageHasNoMoreFilesThanOneCanTakeInAtAGlance() throws IOException {
        Map<Path, Integer> sizes = new TreeMap<>();
        OwnSources.main().forEach(file -> sizes.merge(file.path().getParent(), 1, Integer::sum));
        sizes.values().removeIf(size -> size <= MOST_FILES);
        assertEquals(Map.of(), sizes);
    }

    @Test
    void eachPackageIsDescribed() throws IOException {
        Path root = OwnSources.root();
        List<Path> silent = OwnSources.main().stream().map(file -> file.path().getParent()).distinct()
                .filter(folder -> !isDemo(folder))
                .filter(folder -> !Files.exists(root.resolve(folder).resolve("package-info.java")))
                .toList();
        assertEquals(List.of(), silent);
    }

    private static boolean isDemo(Path folder) {
        return folder.startsWith("deft-examples/harbour");
    }

    /** A text block is as long as what it shows. */
    @Test
    void linesFitOnAScreen() throws IOException {
        Path root = OwnSources.root();
        List<String> tooLong = new ArrayList<>();
        try (Stream<Path> files = Files.walk(root)) {
            for (Path file : files.filter(file -> isOwnCode(root.relativize(file))).sorted().toList()) {
                List<String> lines = Files.readAllLines(file);
                boolean isText = false;
                for (int i = 0; i < lines.size(); i++) {
                    boolean turns = lines.get(i).split(TEXT_BLOCK, -1).length % 2 == 0;
                    if (lines.get(i).length() > LONGEST_LINE && !isText) {
                        tooLong.add(root.relativize(file) + ":" + (i + 1));
                    }
                    isText ^= turns;
                }
            }
        }
        assertEquals(List.of(), tooLong);
    }

    private static boolean isOwnCode(Path file) {
        return file.toString().matches("deft-[a-z]+/src/(main|test)/java/.*\\.java");
    }

    @Test
    void constructorsTakeNoMoreThanAReaderCanKeepInMind() throws IOException {
        List<String> tooMany = new ArrayList<>();
        for (OwnFile file : OwnSources.main()) {
            file.types((path, type) -> {
                for (Tree member : type.getMembers()) {
                    if (isLong(type, member)) {
                        tooMany.add(file.place(member) + " " + type.getSimpleName());
                    }
                }
            });
        }
        assertEquals(List.of(), tooMany);
    }

    /** A record's header names its components where it is written and read. */
    private static boolean isLong(ClassTree type, Tree member) {
        return type.getKind() != Tree.Kind.RECORD && member instanceof MethodTree method
                && method.getReturnType() == null
                && method.getParameters().size() > MOST_PARAMETERS;
    }
}
