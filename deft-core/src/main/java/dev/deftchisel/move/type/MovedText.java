package dev.deftchisel.move.type;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.member.MemberInserter;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.move.moved.Moves;
import dev.deftchisel.move.name.NamesWithin;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.NewFile;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.stream.IntStream;

/**
 * Takes the text of a type from where it stands to where it goes: with its file when nothing else is in that, cut out
 * of it otherwise. What is edited in the text is planned as if it stayed, and goes along.
 */
final class MovedText {

    private final Analyst analyst;
    private final Analysis before;
    private final Moves moves;
    private final MovedType moved;
    private final Destination destination;
    private final EditsByFile edits;

    MovedText(Analyst analyst, Analysis before, Moves moves, MovedType moved, EditsByFile edits) {
        this.analyst = analyst;
        this.before = before;
        this.moves = moves;
        this.moved = moved;
        this.destination = moved.destination();
        this.edits = edits;
    }

    /** Adds the edits, and gives the file that comes to be. */
    Optional<FileChange> write() {
        if (moves.isWhole(moved.file().path())) {
            writeNames(edits.writer(moved.code()));
            return Optional.empty();
        } else if (destination instanceof Destination.OwnFile own) {
            NewFile file = NewFile.of(own.root(), own.packageName(), moved.name(), moved.file(), analyst.snapshot(),
                    moved.code().elements());
            writeNames(file.writer());
            SortedMap<Range, Consumer<NewCode>> within = cut();
            return Optional.of(file.with(text -> carry(text, "", within)));
        }
        Destination.Member member = (Destination.Member) destination;
        AttributedFile there = before.declaration(member.outer()).flatMap(name -> before.code(name.file()))
                .orElseThrow();
        TargetClass target = TargetClass.at(there, before.declaration(member.outer()).orElseThrow().range().end())
                .orElseThrow();
        writeNames(edits.writer(there));
        SortedMap<Range, Consumer<NewCode>> within = cut();
        edits.of(there.file().path()).addAll(new MemberInserter(target).edits(List.of(NewMember.carried(
                NewMember.Kind.TYPE, moved.name(), (text, indent) -> carry(text, indent, within)))));
        return Optional.empty();
    }

    private void writeNames(TypeWriter writer) {
        edits.of(moved.file().path()).addAll(new NamesWithin(before, moves, moved, writer).edits().values());
    }

    private void carry(NewCode text, String indent, SortedMap<Range, Consumer<NewCode>> within) {
        String oldIndent = Layout.indentOf(moved.file(), moved.range().start());
        text.from(moved.file()).carry(moved.range(), oldIndent, indent, within);
    }

    /** Takes the text away, and the edits in it. */
    private SortedMap<Range, Consumer<NewCode>> cut() {
        SourceFile file = moved.file();
        List<Edit> own = edits.of(file.path());
        SortedMap<Range, Consumer<NewCode>> within = new TreeMap<>();
        own.stream().filter(edit -> edit.isTaken() && moved.range().encloses(edit.range()))
                .forEach(edit -> within.put(edit.range(), text -> text.write(edit.replacement())));
        own.removeIf(edit -> moved.range().encloses(edit.range()));
        own.add(Edit.of(Layout.removed(file, moved.range()), "", Edit.Kind.CODE));
        return within;
    }

    /** Whether something is said behind the package that does not go along. */
    private boolean hasComments() {
        int head = moved.file().outline().packageRange().end();
        Tokens tokens = moved.file().tokens();
        return IntStream.range(0, tokens.count()).anyMatch(i -> tokens.kind(i).isComment() && tokens.start(i) > head
                && !moved.range().encloses(tokens.range(i)));
    }

    /** From which it goes. */
    Path file() {
        return moved.file().path();
    }

    /** Whether nothing is left where it was, and its file goes. */
    boolean leavesNothing() {
        return moved.isAlone() && !moves.isWhole(moved.file().path()) && !hasComments();
    }
}
