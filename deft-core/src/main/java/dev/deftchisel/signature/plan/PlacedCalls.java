package dev.deftchisel.signature.plan;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Position;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What was said of single calls, each by its place: {@code Office.java:14 = days}, or with the column and a name
 * {@code Office.java:14:20:rate = days}.
 *
 * @param said      in order
 * @param objection one line; empty when all calls were found
 */
record PlacedCalls(List<Said> said, String objection) {

    private static final Pattern ENTRY = Pattern.compile("(?s)(.+?):(\\d+)(?::(\\d+))?"
            + "(?::(\\p{javaJavaIdentifierStart}\\p{javaJavaIdentifierPart}*))?\\s*=\\s*(.+)");

    /** Copies the list. */
    PlacedCalls {
        said = List.copyOf(said);
    }

    /**
     * What was said of one place.
     *
     * @param place as it was said
     * @param name  what the value is for; empty when that was not said
     * @param value what was said
     * @param calls at least one
     */
    record Said(String place, Optional<String> name, String value, List<Call> calls) {
    }

    /**
     * A call, or where one will stand.
     *
     * @param file  where it is
     * @param range of it
     */
    public record Call(Path file, Range range) {

        static Call of(AttributedFile code, TreePath place) {
            // a constant of an enum that passes nothing is no more than its name
            return new Call(code.file().path(), code.find(place.getLeaf())
                    .orElseGet(() -> code.range(place.getParentPath().getLeaf())));
        }
    }

    /**
     * Reads what was said.
     *
     * @param all     each said of one place, or several with {@code ;} between
     * @param example of a value
     * @param what    calls do with it
     * @param family  the methods whose calls are meant
     */
    static PlacedCalls read(List<String> all, String what, String example, Set<SymbolKey> family, Analysis before) {
        List<Said> said = new ArrayList<>();
        for (String text : all.stream().flatMap(one -> entries(one).stream()).toList()) {
            Matcher entry = ENTRY.matcher(text);
            if (!entry.matches()) {
                return new PlacedCalls(List.of(), "'" + text + "' does not say what a call " + what
                        + "; write PATH:LINE=VALUE, such as Office.java:14=" + example);
            }
            String place = text.substring(0, entry.end(3) < 0 ? entry.end(2) : entry.end(3));
            List<Call> calls = new ArrayList<>();
            for (SymbolKey key : family) {
                before.uses(key).forEach(use -> call(use, entry, before).ifPresent(calls::add));
            }
            if (calls.isEmpty()) {
                return new PlacedCalls(List.of(), place + ": no call that changes is there");
            }
            said.add(new Said(place, Optional.ofNullable(entry.group(4)), entry.group(5).strip(), calls));
        }
        return new PlacedCalls(said, "");
    }

    private static List<String> entries(String said) {
        Tokens tokens = Tokens.of(said);
        List<String> found = new ArrayList<>();
        int start = 0;
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.is(i, ';')) {
                found.add(said.substring(start, tokens.start(i)).strip());
                start = tokens.end(i);
            }
        }
        found.add(said.substring(start).strip());
        return found.stream().filter(one -> !one.isEmpty()).toList();
    }

    /** The call that a use is, if it stands at a place. */
    private static Optional<Call> call(Binding use, Matcher entry, Analysis before) {
        Optional<AttributedFile> code = before.code(use.file()).filter(file -> use.role().isUse()
                && isFile(use.file(), entry.group(1), before));
        Optional<TreePath> path = code.flatMap(file -> file.call(use).or(() -> Functions.reference(file, use.range())));
        return path.map(found -> Call.of(code.get(), found)).filter(call -> isAt(code.get(), use.range(), call,
                entry));
    }

    private static boolean isFile(Path file, String said, Analysis before) {
        try {
            return file.endsWith(Path.of(said.strip())) || before.snapshot().workspace().show(file).equals(said);
        } catch (InvalidPathException none) {
            return false;
        }
    }

    /** Whether the name that is called is on a line; with a column, whether that is in it or where its list opens. */
    private static boolean isAt(AttributedFile code, Range name, Call call, Matcher entry) {
        LineMap lines = LineMap.of(code.file().content());
        int line = Integer.parseInt(entry.group(2));
        if (entry.group(3) == null) {
            return lines.line(name.start()) == line;
        }
        OptionalInt offset = lines.offset(new Position(line, Integer.parseInt(entry.group(3))));
        Tokens tokens = code.file().tokens();
        int open = tokens.at(name.end());
        int end = open < tokens.count() && tokens.is(open, '(') ? tokens.start(open) : name.end();
        return offset.isPresent() && name.start() <= offset.getAsInt() && offset.getAsInt() <= Math.min(end,
                call.range().end());
    }
}
