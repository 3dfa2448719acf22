package dev.deftchisel.header.edited;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The header of a method, constructor or record that somebody types where it stands, while calls and overrides still
 * agree with the one that stood there.
 *
 * @param file   as it is typed
 * @param header where the header stands in it
 * @param name   where the name stands
 * @param agreed the header that stood there
 * @param files  how many files mention the name; 0 where nobody looked
 */
public record EditedHeader(SourceFile file, Range header, Range name, String agreed, int files) {

    /**
     * The header at a caret, if it is another one than the code agrees on.
     *
     * @param file   as it is typed
     * @param agreed the text of the file as it was when all agreed; members may have come and gone since
     * @param caret  an offset in the file
     */
    public static Optional<EditedHeader> at(SourceFile file, SourceFile agreed, int caret) {
        if (file.content().equals(agreed.content())) {
            return Optional.empty();
        }
        FileHeaders now = FileHeaders.of(file);
        FileHeaders before = FileHeaders.of(agreed);
        return now.all().stream().filter(one -> one.range().touches(caret)).reduce((outer, inner) -> inner)
                .filter(one -> before.all().stream().noneMatch(one::reads))
                .filter(one -> HeaderReader.read(one.text()).header().isPresent())
                .map(one -> new EditedHeader(file, one.range(), one.name(), before.before(one, now).text(), 0))
                .filter(one -> HeaderReader.read(one.agreed()).header().isPresent() && !one.isSame());
    }

    private boolean isSame() {
        return TypedHeader.compact(agreed).equals(TypedHeader.compact(typed()));
    }

    /** The header as it is typed, with what calls are to pass for new parameters. */
    public String typed() {
        return file.content().substring(header.start(), header.end());
    }

    /** The text of the file with the header on which the code agrees. */
    public String base() {
        return file.content().substring(0, header.start()) + agreed + file.content().substring(header.end());
    }

    /** The name in that text. */
    public Place place() {
        int start = header.start() + before().name().start();
        return new Place(file.path(), new Range(start, start));
    }

    /** The name as the code knows it. */
    public String named() {
        return before().at(before().name());
    }

    private TypedHeader before() {
        return HeaderReader.read(agreed).header().orElseThrow();
    }

    /** The same, with how many files mention the name. */
    public EditedHeader in(int count) {
        return new EditedHeader(file, header, name, agreed, count);
    }

    /** What can be done, for people; the header, which they have just typed, comes last. */
    public String title() {
        String where = files == 1 ? " (this file alone names it)" : " (" + files + " files name it)";
        return "carry to calls and overrides" + (files == 0 ? "" : where) + ": "
                + HeaderReader.read(typed()).header().orElseThrow().core();
    }

    /**
     * What is left to do, now that the header is typed.
     *
     * @param planned as a change of {@link #base}
     * @return empty when the header would not be what is typed, but for what calls pass and white space
     */
    public Optional<Change> onto(Change planned) {
        Optional<FileChange> own = planned.files().stream().filter(one -> one.path().equals(file.path())).findFirst();
        if (own.isEmpty()) {
            return Optional.empty();
        }
        Range old = new Range(header.start(), header.start() + agreed.length());
        List<Edit> inside = own.get().takenEdits().stream().filter(edit -> old.encloses(edit.range())).toList();
        String written = written(inside);
        Optional<String> clean = clean(written);
        if (clean.isEmpty()) {
            return Optional.empty();
        }
        List<Edit> edits = new ArrayList<>();
        int shift = header.end() - old.end();
        for (Edit edit : own.get().takenEdits()) {
            if (!inside.contains(edit)) {
                int by = edit.range().start() >= old.end() ? shift : 0;
                edits.add(Edit.of(new Range(edit.range().start() + by, edit.range().end() + by), edit.replacement(),
                        Edit.Kind.CODE));
            }
        }
        if (clean.get().equals(withoutValues())) {
            values().forEach(value -> edits.add(Edit.of(value, "", Edit.Kind.CODE)));
        } else {
            edits.add(Edit.of(header, clean.get(), Edit.Kind.CODE));
        }
        FileChange left = new FileChange(file.path(), Optional.empty(), file.text(), edits);
        return Optional.of(new Change(planned.title(), planned.files().stream()
                .map(one -> one == own.get() ? left : one).toList(), planned.meaning(), planned.notes())
                .note("the header was '" + before().core() + "'"));
    }

    /** As it is typed, or with types as they are written where the file does not know them. */
    private Optional<String> clean(String written) {
        String typed = withoutValues();
        if (TypedHeader.compact(typed).equals(TypedHeader.compact(written))) {
            return Optional.of(typed);
        }
        return HeaderReader.read(written).header().filter(planned -> modifiers(planned).equals(modifiers(HeaderReader
                .read(typed).header().orElseThrow()))).map(planned -> written);
    }

    private static String modifiers(TypedHeader header) {
        return TypedHeader.compact(header.at(header.head().modifiers()));
    }

    private String written(List<Edit> edits) {
        StringBuilder text = new StringBuilder();
        int at = 0;
        for (Edit edit : edits) {
            text.append(agreed, at, edit.range().start() - header.start()).append(edit.replacement());
            at = edit.range().end() - header.start();
        }
        return text.append(agreed, at, agreed.length()).toString();
    }

    /** The typed header without what calls pass, as Java reads it. */
    private String withoutValues() {
        StringBuilder text = new StringBuilder();
        int at = header.start();
        for (Range value : values()) {
            text.append(file.content(), at, value.start());
            at = value.end();
        }
        return text.append(file.content(), at, header.end()).toString();
    }

    /** What calls pass, with the sign before it, where it stands in the file. */
    private List<Range> values() {
        return HeaderReader.read(typed()).header().orElseThrow().parameters().stream()
                .filter(parameter -> parameter.value().isPresent())
                .map(parameter -> new Range(header.start() + parameter.name().end(),
                        header.start() + parameter.value().get().end())).toList();
    }
}
