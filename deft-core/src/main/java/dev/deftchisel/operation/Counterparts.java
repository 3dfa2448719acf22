package dev.deftchisel.operation;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Which tests are for a type, and which type a test is for: by their names, those of the same package and module first.
 */
public final class Counterparts {

    private static final List<String> ENDS = List.of("Test", "Tests", "TestCase", "IT");
    private static final String START = "Test";

    private final Snapshot snapshot;

    /** @param snapshot in which to look */
    public Counterparts(Snapshot snapshot) {
        this.snapshot = snapshot;
    }

    /** The name of a test class that is to be written. */
    public static String testName(String type) {
        return type + ENDS.get(0);
    }

    /** Where the counterparts of the main type of a file are declared; empty when there are none. */
    public List<Place> of(SourceFile file) {
        boolean isTest = file.root().use() == SourceRoot.Use.TEST;
        SourceRoot.Use wanted = isTest ? SourceRoot.Use.MAIN : SourceRoot.Use.TEST;
        List<String> names = main(file).map(TypeOutline::name).map(name -> isTest ? tested(name) : tests(name))
                .orElse(List.of());
        return snapshot.files().stream()
                .filter(other -> other.root().use() == wanted)
                .flatMap(other -> main(other).filter(type -> names.contains(type.name()))
                        .map(type -> new Counterpart(other, type)).stream())
                .sorted(Comparator.comparing((Counterpart found) -> !found.file().module().equals(file.module()))
                        .thenComparing(found -> !found.file().header().packageName()
                                .equals(file.header().packageName()))
                        .thenComparing(found -> names.indexOf(found.type().name())))
                .map(found -> new Place(found.file().path(),
                        new Range(found.type().nameRange().start(), found.type().nameRange().start())))
                .toList();
    }

    private record Counterpart(SourceFile file, TypeOutline type) {
    }

    /** The type that a file is named after. */
    private static Optional<TypeOutline> main(SourceFile file) {
        String name = file.path().getFileName().toString().replaceAll("\\.java$", "");
        return file.outline().types().stream().filter(type -> type.isTopLevel() && type.name().equals(name))
                .findFirst();
    }

    private static List<String> tests(String type) {
        return Stream.concat(ENDS.stream().map(end -> type + end), Stream.of(START + type)).toList();
    }

    private static List<String> tested(String test) {
        return Stream.concat(ENDS.stream().filter(end -> test.endsWith(end))
                .map(end -> test.substring(0, test.length() - end.length())),
                Stream.of(test).filter(name -> name.startsWith(START)).map(name -> name.substring(START.length())))
                .filter(name -> !name.isEmpty()).toList();
    }
}
