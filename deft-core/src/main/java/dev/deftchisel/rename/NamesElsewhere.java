package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.rename.mention.DerivedQueries;
import dev.deftchisel.rename.mention.Mentions;
import dev.deftchisel.rename.mention.MentionsInOtherFiles;
import dev.deftchisel.rename.mention.RenamedWords;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** Where a new name reaches beyond the code: frameworks that know the old one, and text that mentions it. */
public final class NamesElsewhere {

    private final Symbol target;
    private final Map<SymbolKey, String> names;
    private final Analysis before;
    private final KeptNames external;
    private final Mentions mentions;
    private final List<FileChange> texts = new ArrayList<>();

    /**
     * @param target  what the user renames
     * @param newName what it is called then
     * @param names   all that is called otherwise then
     * @param answers to {@link RenameOperation#MENTIONS} and {@link RenameOperation#EXTERNAL}
     */
    public NamesElsewhere(Symbol target, String newName, Map<SymbolKey, String> names, Analysis before,
            Answers answers) {
        this.target = target;
        this.names = Map.copyOf(names);
        this.before = before;
        this.external = new KeptNames(before,
                !answers.single(RenameOperation.EXTERNAL).filter("change"::equals).isPresent()).read(names.keySet());
        RenamedWords renaming = RenamedWords.of(target, newName, names, before);
        this.mentions = new Mentions(before.snapshot(), renaming, RenameOperation.choice(answers));
        boolean isSeen = !target.isPrivate() || !renaming.properties().isEmpty();
        if (!target.kind().isLocal() && isSeen) {
            texts.addAll(mentions.inResources(Map.of()));
            texts.addAll(mentions.beside());
        }
    }

    /**
     * The edits of Java files, with each mention taken or left.
     *
     * @param known ranges that are edited already
     */
    public List<Map<Path, List<Edit>>> inJava(Map<Path, Set<Range>> known) {
        return List.of(external.edits(), mentions.inJava(Mentions.Scope.of(target, before), known));
    }

    /** The changes of other files. */
    public List<FileChange> texts() {
        return List.copyOf(texts);
    }

    /** What the user should know of it. */
    public List<String> notes() {
        return Stream.of(external.notes(), DerivedQueries.notes(names.keySet(), before),
                MentionsInOtherFiles.notes(texts, before.snapshot().workspace())).flatMap(List::stream).toList();
    }
}
