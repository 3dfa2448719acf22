package dev.deftchisel.proving.option;

import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.corpus.CorpusException;
import dev.deftchisel.proving.corpus.CorpusList;
import dev.deftchisel.proving.corpus.Depot;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Which code to work on. */
public final class CorpusOptions {

    @Parameters(arity = "0..*", paramLabel = "CORPUS",
            description = "a name of the list (lang, csv, collections, lucene) or group:artifact:version")
    private List<String> names = List.of();

    @Option(names = "--workspace", description = "the folder of any other workspace; it is copied, never written to")
    private Path workspace;

    @Option(names = "--source", description = "a source folder of that workspace; repeatable")
    private List<Path> sources = List.of();

    @Option(names = "--class-path", description = "class files that workspace needs")
    private String classPath = "";

    @Option(names = "--offline", description = "fetch nothing")
    private boolean offline;

    /** Whether any was named. */
    public boolean given() {
        return !names.isEmpty() || workspace != null;
    }

    /** The corpora as they lie there; not to be written to. */
    public List<Corpus> originals() {
        List<Corpus> corpora = new ArrayList<>();
        if (workspace != null) {
            List<Path> paths = Arrays.stream(classPath.split(File.pathSeparator))
                    .filter(path -> !path.isEmpty())
                    .map(Path::of)
                    .toList();
            corpora.add(new Corpus(String.valueOf(workspace.toAbsolutePath().normalize().getFileName()),
                    new OpenRequest(
                    workspace, true, sources, paths, Optional.empty(), Optional.empty(), Set.of())));
        }
        Depot depot = Depot.standard(!offline);
        CorpusList list = CorpusList.standard();
        names.forEach(name -> corpora.add(depot.corpus(name, list.resolve(name))));
        if (corpora.isEmpty()) {
            throw new CorpusException("name a corpus (" + String.join(", ", list.coordinates().keySet())
                    + "), coordinates, or --workspace DIR");
        }
        return corpora;
    }

    /** Copies that may be written to, below a temporary folder. */
    public List<Corpus> copies() throws IOException {
        List<Corpus> copies = new ArrayList<>();
        for (Corpus corpus : originals()) {
            copies.add(corpus.copyTo(Files.createTempDirectory("prove-" + corpus.name().replaceAll("\\W", "-"))));
        }
        return copies;
    }

    /** The words that name the same code on a command line. */
    String words(String corpusName) {
        if (workspace == null || names.contains(corpusName)) {
            return corpusName;
        }
        StringBuilder words = new StringBuilder("--workspace ").append(workspace);
        sources.forEach(source -> words.append(" --source ").append(source));
        return classPath.isEmpty() ? words.toString() : words + " --class-path '" + classPath + "'";
    }
}
