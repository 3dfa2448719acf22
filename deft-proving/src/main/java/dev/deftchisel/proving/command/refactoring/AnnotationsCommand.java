package dev.deftchisel.proving.command.refactoring;

import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.proving.annotated.SameFindings;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.option.CorpusOptions;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Is the same found where every type is annotated? */
@Command(name = "annotations", mixinStandardHelpOptions = true,
        description = "Annotates every type in use, in the example of each rule and in corpora, and compares what is "
        + "found.")
public final class AnnotationsCommand implements Callable<Integer> {

    @Mixin
    private final CorpusOptions corpora = new CorpusOptions();

    @Override
    public Integer call() throws IOException {
        LogManager.getLogManager().reset();
        SameFindings oracle = new SameFindings();
        int different = 0;
        List<Corpus> subjects = new ArrayList<>();
        for (RuleDescription about : Rules.installed().abouts()) {
            subjects.add(example(about));
        }
        subjects.addAll(corpora.given() ? corpora.copies() : List.of());
        for (Corpus subject : subjects) {
            for (String difference : oracle.differences(subject)) {
                System.out.println("OTHER " + subject.name() + " " + difference);
                different++;
            }
        }
        System.out.printf("%d problems without annotations; types annotated in %d files; found otherwise: %d%n",
                oracle.found(),
                oracle.files(), different);
        return different == 0 ? 0 : 1;
    }

    private static Corpus example(RuleDescription about) throws IOException {
        Path folder = Files.createTempDirectory("prove-annotations");
        Path file = folder.resolve("src").resolve(about.example().file());
        Files.createDirectories(file.getParent());
        Files.writeString(file, about.example().before());
        Files.writeString(folder.resolve(".editorconfig"), "root = true\n[*]\ndeft_" + about.id() + " = warning\n");
        return new Corpus(about.id(), OpenRequest.plain(folder, List.of(folder.resolve("src")), List.of()));
    }
}
