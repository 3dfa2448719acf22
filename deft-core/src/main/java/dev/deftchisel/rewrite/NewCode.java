package dev.deftchisel.rewrite;

import dev.deftchisel.change.Edit;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.function.Consumer;

/** A piece of new code that is put together from text and from code of the file that travels with its comments. */
public final class NewCode {

    private final SourceFile file;
    private final StringBuilder text;
    private final List<MovedCode> carried;
    private final List<Range> names;

    /** @param file where the code is taken from */
    public NewCode(SourceFile file) {
        this(file, new StringBuilder(), new ArrayList<>(), new ArrayList<>());
    }

    private NewCode(SourceFile file, StringBuilder text, List<MovedCode> carried, List<Range> names) {
        this.file = file;
        this.text = text;
        this.carried = carried;
        this.names = names;
    }

    /** The same piece of code, to which code of another file is added. */
    public NewCode from(SourceFile other) {
        return new NewCode(other, text, carried, names);
    }

    /** Adds text. */
    public NewCode write(String piece) {
        text.append(piece);
        return this;
    }

    /** Adds a blank where the code before an offset ends in a word, which what comes next would run into. */
    public NewCode apartFrom(int offset) {
        return write(offset > 0 && Character.isJavaIdentifierPart(file.content().charAt(offset - 1)) ? " " : "");
    }

    /** Adds a new name, which stays linked to the other places where it is written. */
    public NewCode name(String name) {
        names.add(new Range(text.length(), text.length() + name.length()));
        return write(name);
    }

    /** Adds text in which some names, wherever they stand, are new and stay linked. */
    public NewCode write(String piece, Set<String> linked) {
        Tokens tokens = Tokens.of(piece);
        for (int i = 0; i < tokens.count(); i++) {
            boolean isNew = tokens.kind(i) == TokenKind.IDENTIFIER && linked.contains(tokens.text(i));
            if (isNew) {
                name(tokens.text(i));
            } else {
                write(tokens.text(i));
            }
        }
        return this;
    }

    /** Adds a name that stands in the file, and what it means, under the name that this gets. */
    public NewCode renamed(Range name, String newName) {
        carried.add(new MovedCode(file.path(), name, text.length(), Optional.of(newName)));
        return write(newName);
    }

    /** Adds code as it stands in the file. */
    public NewCode carry(Range code) {
        return carry(code, "", "");
    }

    /**
     * Adds code as it stands in the file, each further line of it with another indentation. Lines within text blocks
     * keep theirs.
     *
     * @param code      what to carry
     * @param oldIndent what further lines start with now; lines that start otherwise stay as they are
     * @param newIndent what they start with then
     */
    public NewCode carry(Range code, String oldIndent, String newIndent) {
        return carry(code, oldIndent, newIndent, false);
    }

    /** @param goesOn whether more of the code follows, so that a line that starts where it ends is one of it */
    private NewCode carry(Range code, String oldIndent, String newIndent, boolean goesOn) {
        String content = file.content();
        Tokens tokens = file.tokens();
        int from = code.start();
        for (int i = tokens.at(code.start()); !oldIndent.equals(newIndent) && i < tokens.count()
                && tokens.start(i) < code.end(); i++) {
            for (int line : lineStarts(tokens, i)) {
                boolean isWithin = line >= code.start() && (line < code.end() || goesOn && line == code.end());
                if (isWithin && line + oldIndent.length() <= code.end() && content.startsWith(oldIndent, line)) {
                    carryAsIs(new Range(from, line));
                    text.append(newIndent);
                    from = line + oldIndent.length();
                }
            }
        }
        carryAsIs(new Range(from, code.end()));
        return this;
    }

    /**
     * Adds code as it stands in the file, but for some parts of it.
     *
     * @param instead what is written in place of each of these parts, which do not overlap
     */
    public NewCode carry(Range code, String oldIndent, String newIndent, SortedMap<Range, Consumer<NewCode>> instead) {
        int from = code.start();
        for (Map.Entry<Range, Consumer<NewCode>> part : instead.entrySet()) {
            carry(new Range(from, part.getKey().start()), oldIndent, newIndent, true);
            part.getValue().accept(this);
            from = part.getKey().end();
        }
        return carry(new Range(from, code.end()), oldIndent, newIndent);
    }

    /** Where lines start that begin with white space of a token: the last one of a gap, each one of a comment. */
    private static List<Integer> lineStarts(Tokens tokens, int token) {
        List<Integer> starts = new ArrayList<>();
        boolean isGap = tokens.kind(token) == TokenKind.WHITE_SPACE;
        boolean isIndented = isGap || tokens.kind(token).isComment();
        for (int i = tokens.end(token) - 1; isIndented && i >= tokens.start(token); i--) {
            char c = tokens.content().charAt(i);
            if (c == '\n' || c == '\r') {
                starts.add(0, i + 1);
                if (isGap) {
                    break;
                }
            }
        }
        return starts;
    }

    private void carryAsIs(Range code) {
        if (code.length() > 0) {
            carried.add(new MovedCode(file.path(), code, text.length()));
            text.append(file.content(), code.start(), code.end());
        }
    }

    /** The edit that puts this in place of a range. */
    public Edit replacing(Range range) {
        return Edit.of(range, text.toString(), Edit.Kind.CODE).carrying(carried).linking(names);
    }

    /** The edit that puts this before what stands at an offset. */
    public Edit at(int offset) {
        return replacing(new Range(offset, offset));
    }
}
