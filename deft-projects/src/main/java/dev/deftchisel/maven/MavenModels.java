package dev.deftchisel.maven;

import dev.deftchisel.maven.probe.ProjectProbe;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.maven.model.InputLocation;
import org.apache.maven.model.Model;
import org.apache.maven.model.building.ModelBuildingException;
import org.apache.maven.model.building.ModelProblem;
import org.apache.maven.model.io.xpp3.MavenXpp3Reader;
import org.codehaus.plexus.util.xml.pull.XmlPullParserException;

/**
 * The effective models of a build, the first by its folder, then those of its modules.
 *
 * @param all    by {@code group:artifact}, in the order of the build
 * @param broken build files that cannot be read
 * @param gaps   what is wrong, one line each with its place
 */
record MavenModels(Map<String, Model> all, List<Path> broken, List<String> gaps) {

    static final String POM = "pom.xml";

    /** Reads a build file and those of its modules, and theirs. */
    static MavenModels read(Path pom, Repositories repositories) {
        Reading reading = new Reading(pom.getParent(), repositories);
        reading.read(pom);
        return new MavenModels(reading.models, List.copyOf(reading.broken), List.copyOf(reading.gaps));
    }

    /** Those that Maven itself wrote. */
    static MavenModels answered(List<Path> files) {
        Map<String, Model> all = new LinkedHashMap<>();
        List<String> gaps = new ArrayList<>();
        for (Path file : files) {
            try (InputStream in = Files.newInputStream(file)) {
                Model model = new MavenXpp3Reader().read(in);
                model.setPomFile(new File(model.getProperties().getProperty(ProjectProbe.POM)));
                all.putIfAbsent(key(model), model);
            } catch (IOException | XmlPullParserException unreadable) {
                gaps.add(file + ": what Maven said cannot be read (" + unreadable.getMessage()
                        + "); have it said again with --ask-build");
            }
        }
        return new MavenModels(all, List.of(), gaps);
    }

    static String key(Model model) {
        return model.getGroupId() + ":" + model.getArtifactId();
    }

    /** On the way through the modules. */
    private static final class Reading {

        private final Path root;
        private final Repositories repositories;
        private final Map<String, Model> models = new LinkedHashMap<>();
        private final Set<Path> seen = new HashSet<>();
        private final List<Path> broken = new ArrayList<>();
        private final List<String> gaps = new ArrayList<>();

        Reading(Path root, Repositories repositories) {
            this.root = root;
            this.repositories = repositories;
        }

        void read(Path pom) {
            if (!seen.add(pom)) {
                return;
            }
            Model model;
            try {
                model = repositories.effectiveModel(pom);
            } catch (ModelBuildingException unreadable) {
                broken.add(pom);
                gaps.add(place(unreadable, pom) + ": cannot be read in full (" + why(unreadable)
                        + "): source folders are taken by convention and libraries are unknown");
                return;
            }
            Model known = models.putIfAbsent(key(model), model);
            if (known != null) {
                gaps.add(show(pom) + ": another module is called " + key(model) + " too, "
                        + show(known.getPomFile().toPath())
                        + "; this one is left out");
                return;
            }
            for (int i = 0; i < model.getModules().size(); i++) {
                Path child = pom.resolveSibling(model.getModules().get(i)).normalize();
                Path childPom = Files.isDirectory(child) ? child.resolve(POM) : child;
                if (Files.isRegularFile(childPom)) {
                    read(childPom);
                } else {
                    gaps.add(show(pom) + place(model.getLocation("modules"), i) + ": names the module "
                            + model.getModules().get(i)
                            + ", which is not there");
                }
            }
        }

        private static String place(InputLocation modules, int index) {
            InputLocation location = modules == null ? null : modules.getLocation(index);
            return location == null || location.getLineNumber() <= 0 ? ""
                    : ":" + location.getLineNumber() + ":" + location.getColumnNumber();
        }

        private String show(Path file) {
            return (file.startsWith(root) ? root.relativize(file) : file).toString().replace('\\', '/');
        }

        private String place(ModelBuildingException unreadable, Path pom) {
            return show(pom) + unreadable.getProblems().stream().findFirst()
                    .filter(problem -> problem.getLineNumber() > 0)
                    .map(problem -> ":" + problem.getLineNumber() + ":" + Math.max(1, problem.getColumnNumber()))
                    .orElse("");
        }

        private static String why(ModelBuildingException unreadable) {
            return unreadable.getProblems().stream().findFirst().map(ModelProblem::getMessage)
                    .orElse(unreadable.getMessage())
                    .replaceAll("\\s+", " ");
        }
    }
}
