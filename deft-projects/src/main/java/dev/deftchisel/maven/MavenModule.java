package dev.deftchisel.maven;

import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.GeneratedRoots;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.OpenRequest;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.nio.charset.UnsupportedCharsetException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.apache.maven.model.Model;
import org.apache.maven.model.Resource;

/** Reads off an effective model what a {@link Module} says. */
final class MavenModule {

    /** What the compiler plugin compiles for when nothing is said. */
    private static final int STANDARD_LEVEL = 8;

    private MavenModule() {
    }

    static Module of(Model model, String name, Dependencies dependencies, List<String> upstream, List<String> forTests,
            OpenRequest request) {
        Path folder = model.getProjectDirectory().toPath().toAbsolutePath().normalize();
        return new Module(name, folder, roots(model, folder), dependencies, upstream, forTests,
                request.level().map(JavaLevel::of).orElseGet(() -> java(model)),
                request.encoding().orElseGet(() -> encoding(model)));
    }

    private static List<SourceRoot> roots(Model model, Path folder) {
        List<SourceRoot> roots = new ArrayList<>();
        add(roots, folder, model.getBuild().getSourceDirectory(), SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE);
        add(roots, folder, model.getBuild().getTestSourceDirectory(), SourceRoot.Use.TEST, SourceRoot.Kind.SOURCE);
        for (Resource resource : model.getBuild().getResources()) {
            add(roots, folder, resource.getDirectory(), SourceRoot.Use.MAIN, SourceRoot.Kind.RESOURCE);
        }
        for (Resource resource : model.getBuild().getTestResources()) {
            add(roots, folder, resource.getDirectory(), SourceRoot.Use.TEST, SourceRoot.Kind.RESOURCE);
        }
        Path target = folder.resolve(Objects.requireNonNullElse(model.getBuild().getDirectory(), "target"));
        roots.addAll(GeneratedRoots.in(target.resolve("generated-sources"), SourceRoot.Use.MAIN));
        roots.addAll(GeneratedRoots.in(target.resolve("generated-test-sources"), SourceRoot.Use.TEST));
        return roots;
    }

    private static void add(
            List<SourceRoot> roots, Path folder, String directory, SourceRoot.Use use, SourceRoot.Kind kind) {
        if (directory != null) {
            Path path = folder.resolve(directory).normalize();
            if (Files.isDirectory(path)) {
                roots.add(new SourceRoot(path, use, kind));
            }
        }
    }

    private static JavaLevel java(Model model) {
        CompilerSettings settings = CompilerSettings.of(model);
        return settings.number("release").map(level -> new JavaLevel(level, JavaLevel.Api.LEVEL, settings.options()))
                .orElseGet(() -> new JavaLevel(settings.number("source").orElse(STANDARD_LEVEL), JavaLevel.Api.COMPILER,
                        settings.options()));
    }

    private static Charset encoding(Model model) {
        String name = model.getProperties().getProperty("project.build.sourceEncoding");
        try {
            return name == null ? StandardCharsets.UTF_8 : Charset.forName(name);
        } catch (IllegalCharsetNameException | UnsupportedCharsetException unknown) {
            return StandardCharsets.UTF_8;
        }
    }
}
