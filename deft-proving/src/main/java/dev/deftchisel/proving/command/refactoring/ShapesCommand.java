package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.proving.shape.FetchedLibraries;
import dev.deftchisel.proving.shape.GradleRun;
import dev.deftchisel.proving.shape.OpenedShape;
import dev.deftchisel.proving.shape.OwnBuild;
import dev.deftchisel.proving.shape.Shape;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Are the errors that we see in a project those that its own build sees? */
@Command(name = "shapes", mixinStandardHelpOptions = true,
        description = "Opens projects of many shapes and compares the errors seen in them with those of their own "
        + "builds.")
public final class ShapesCommand implements Callable<Integer> {

    @Option(names = "--only", split = ",", paramLabel = "NAME",
            description = "only these shapes, or sorts of them: maven, gradle, other, computed")
    private Set<String> only = Set.of();

    @Option(names = "--own-build", negatable = true, defaultValue = "true", fallbackValue = "true",
            description = "have the own build of each compile it, too (default); otherwise what was written down of "
            + "it counts")
    private boolean ownBuild;

    @Override
    public Integer call() throws IOException, InterruptedException {
        LogManager.getLogManager().reset();
        List<Shape> all = new ArrayList<>(Shape.all());
        if (GradleRun.isHere()) {
            all.addAll(Shape.computed());
        } else {
            System.out.printf("%d shapes are left out: they need Gradle, which is not here%n", Shape.computed().size());
        }
        List<Shape> shapes = all.stream()
                .filter(shape -> only.isEmpty() || only.contains(shape.name()) || only.contains(shape.sort())).toList();
        FetchedLibraries libraries = new FetchedLibraries();
        int wrong = 0;
        for (Shape shape : shapes) {
            Path folder = Files.createTempDirectory("prove-shape").toRealPath();
            shape.writeTo(folder, libraries);
            Set<String> built = shape.errors();
            String failure = "";
            if (ownBuild) {
                try {
                    built = new OwnBuild(libraries).errors(shape, folder);
                } catch (IllegalStateException failed) {
                    failure = failed.getMessage();
                }
            }
            OpenedShape opened = OpenedShape.of(shape, folder);
            boolean isRight = failure.isEmpty() && built.equals(shape.errors()) && opened.errors().equals(built)
                    && opened.gaps().size() == shape.gaps();
            if (!isRight) {
                wrong++;
                System.out.printf("%s (%s)%n    said   %s%n    built  %s %s%n    opened %s%n    gaps   %s%n    in %s%n",
                        shape.name(), shape.about(), shape.errors(), built,
                        failure, opened.words(), opened.gaps(), folder);
            }
        }
        System.out.printf("%d shapes: %d opened as their own build sees them, %d not%n", shapes.size(),
                shapes.size() - wrong, wrong);
        return wrong == 0 ? 0 : 1;
    }
}
