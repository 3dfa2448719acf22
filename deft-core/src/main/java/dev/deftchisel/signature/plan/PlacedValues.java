package dev.deftchisel.signature.plan;

import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Position;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * What single calls pass for new parameters, where that is something else than the header says:
 * {@code Office.java:14 = days}, {@code Office.java:14:20:rate = days} with the column and the parameter.
 *
 * @param values by the call, and the index of the typed parameter
 */
public record PlacedValues(Map<Call, Map<Integer, String>> values) {

    private static final Pattern ENTRY = Pattern.compile("(?s)(.+?):(\\d+)(?::(\\d+))?"
            + "(?::(\\p{javaJavaIdentifierStart}\\p{javaJavaIdentifierPart}*))?\\s*=\\s*(.+)");

    /** Copies the map. */
    public PlacedValues {
        values = Map.copyOf(values);
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
     * The values, or what is wrong with what was said.
     *
     * @param values    none where something is wrong
     * @param objection one line
     */
    public record Result(Optional<PlacedValues> values, String objection) {
    }

    /** No call passes anything else. */
    public static PlacedValues none() {
        return new PlacedValues(Map.of());
    }

    /** What a call passes for a typed parameter, if that was said. */
    public Optional<String> at(AttributedFile code, TreePath place, int index) {
        return values.isEmpty() ? Optional.empty()
                : Optional.ofNullable(values.getOrDefault(Call.of(code, place), Map.of()).get(index));
    }

    /** Whether any call passes this for a typed parameter. */
    public boolean contains(int index, String value) {
        return values.values().stream().anyMatch(call -> value.equals(call.get(index)));
    }

    /**
     * Reads what was said.
     *
     * @param said   each a value, or several with {@code ;} between
     * @param family the methods whose calls change
     */
    public static Result read(List<String> said, SignatureChange change, Set<SymbolKey> family, Analysis before) {
        Map<Call, Map<Integer, String>> values = new HashMap<>();
        for (String text : said.stream().flatMap(one -> entries(one).stream()).toList()) {
            Matcher entry = ENTRY.matcher(text);
            if (!entry.matches()) {
                return refused("'" + text + "' does not say what a call passes; write PATH:LINE=VALUE, such as "
                        + "Office.java:14=days");
            }
            String place = text.substring(0, entry.end(3) < 0 ? entry.end(2) : entry.end(3));
            String value = entry.group(5).strip();
            OptionalInt parameter = parameter(entry.group(4), change);
            if (parameter.isEmpty()) {
                return refused(entry.group(4) == null ? place + ": say for which parameter, as " + place
                        + ":NAME=VALUE; " + (added(change).isEmpty() ? "none is new" : "several are new")
                        : "no new parameter is called '" + entry.group(4) + "'");
            } else if (!value.equals(SignatureChange.TO_CHOOSE) && !isExpression(value)) {
                return refused(place + ": '" + value + "' is not an expression in Java");
            }
            List<Call> calls = new ArrayList<>();
            for (SymbolKey key : family) {
                before.uses(key).forEach(use -> call(use, entry, before).ifPresent(calls::add));
            }
            if (calls.isEmpty()) {
                return refused(place + ": no call that changes is there");
            }
            calls.forEach(call -> values.computeIfAbsent(call, one -> new HashMap<>()).put(parameter.getAsInt(),
                    value));
        }
        return new Result(Optional.of(new PlacedValues(values)), "");
    }

    private static Result refused(String objection) {
        return new Result(Optional.empty(), objection);
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

    private static List<Integer> added(SignatureChange change) {
        return IntStream.range(0, change.origins().size()).filter(change::isAdded).boxed().toList();
    }

    private static OptionalInt parameter(String name, SignatureChange change) {
        List<Integer> added = added(change).stream().filter(i -> name == null || change.name(i).equals(name)).toList();
        return added.size() == 1 ? OptionalInt.of(added.get(0)) : OptionalInt.empty();
    }

    private static boolean isExpression(String value) {
        Optional<TypedHeader> header = HeaderReader.read("one(int other = " + value + ")").header();
        return header.filter(read -> read.parameters().size() == 1 && read.parameters().get(0).value()
                .filter(range -> read.at(range).equals(value)).isPresent()).isPresent();
    }

    /** The call that a use is, if it stands at a place. */
    private static Optional<Call> call(Binding use, Matcher entry, Analysis before) {
        Optional<AttributedFile> code = before.code(use.file()).filter(file -> use.role().isUse()
                && isFile(use.file(), entry.group(1), before));
        Optional<TreePath> path = code.flatMap(file -> file.call(use).or(() -> reference(file, use.range())));
        return path.map(found -> Call.of(code.get(), found)).filter(call -> isAt(code.get(), use.range(), call,
                entry));
    }

    private static Optional<TreePath> reference(AttributedFile code, Range name) {
        return code.around(name).stream().filter(path -> path.getLeaf() instanceof MemberReferenceTree).findFirst();
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
