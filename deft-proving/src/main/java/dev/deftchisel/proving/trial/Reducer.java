package dev.deftchisel.proving.trial;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.subject.Subject;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Finds the fewest files of a corpus in which a failed trial still fails by the same oracle. */
public final class Reducer {

    private final Corpus corpus;
    private final Oracles oracles;

    /**
     * @param corpus  the untouched corpus of the trial, or an untouched copy
     * @param oracles who judged it
     */
    public Reducer(Corpus corpus, Oracles oracles) {
        this.corpus = corpus;
        this.oracles = oracles;
    }

    /**
     * What is left.
     *
     * @param folder with only these files, laid out as in the corpus
     * @param files  relative to it
     */
    public record Reduced(Path folder, List<Path> files) {
    }

    /**
     * Reduces.
     *
     * @param failed a verdict of this corpus
     * @return empty when the trial does not fail when it is repeated alone
     */
    public Optional<Reduced> reduce(Verdict failed) {
        Path root = corpus.request().folder();
        Path own = root.relativize(failed.subject().place().file());
        List<Path> others = new ArrayList<>();
        try (Stream<Path> paths = Files.walk(root)) {
            paths.filter(path -> path.toString().endsWith(".java"))
                    .map(root::relativize)
                    .filter(path -> !path.equals(own))
                    .sorted()
                    .forEach(others::add);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        if (!stillFails(failed, own, others)) {
            return Optional.empty();
        }
        List<Path> kept = new ArrayList<>(Smallest.of(others, some -> stillFails(failed, own, some)));
        kept.add(0, own);
        return Optional.of(new Reduced(lay(kept), kept));
    }

    private boolean stillFails(Verdict failed, Path own, List<Path> others) {
        List<Path> files = new ArrayList<>(others);
        files.add(own);
        Path folder = lay(files);
        OpenRequest request = corpus.request();
        Corpus part = new Corpus(corpus.name(), new OpenRequest(folder, true, rebased(request.sources(), folder),
                request.classPath(), request.level(), request.encoding(), Set.of()));
        Subject subject = failed.subject().at(new Place(folder.resolve(own), failed.subject().place().selection()));
        boolean isFalseAlarm = failed.oracle().filter("no false alarm"::equals).isPresent();
        TrialSettings settings = new TrialSettings(0, 0, 1, 1, isFalseAlarm, Optional.empty());
        try (Libraries libraries = new Libraries(); Chisel chisel = Chisel.open(part.request(), Monitor.SILENT)) {
            CompiledCode baseline = CompiledCode.of(chisel.snapshot());
            return baseline.errors().isEmpty()
                    && new Batch(chisel, new Attempt(
                            chisel, new CompiledCorpus(part, baseline), settings, oracles, libraries), oracles,
                            baseline)
                            .run(List.of(subject)).stream()
                            .anyMatch(verdict -> verdict.oracle().equals(failed.oracle()));
        } catch (WorkspaceException nothingLeft) {
            return false;
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    private List<Path> rebased(List<Path> sources, Path folder) {
        Path root = corpus.request().folder();
        return sources.stream().map(source -> folder.resolve(root.relativize(source).toString()))
                .filter(Files::isDirectory)
                .toList();
    }

    private Path lay(List<Path> files) {
        try {
            Path folder = Files.createTempDirectory("reduced").toRealPath();
            for (Path file : files) {
                Path target = folder.resolve(file.toString());
                Files.createDirectories(target.getParent());
                Files.copy(corpus.request().folder().resolve(file.toString()), target);
            }
            return folder;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
