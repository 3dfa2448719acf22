package dev.deftchisel.guard.moved;

import com.sun.source.tree.ClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Modifier;

/**
 * Compares the text of each type that moves, word for word: only what its names are selected from may be another, and
 * what a type says of its access and of being static. What each name means is compared elsewhere; here nothing may be
 * added, lost or said otherwise.
 */
public final class MovedTypes {

    /** What a declaration says of where it may be used, and of needing no object. */
    static final Set<String> OF_PLACE = Set.of("public", "protected", "private", "static");
    private static final Set<String> CLOSING = Set.of("private", "protected");
    private static final Set<String> OPENING = Set.of("protected", "public");
    private static final Set<Modifier> ACCESS = EnumSet.of(Modifier.PUBLIC, Modifier.PROTECTED, Modifier.PRIVATE);

    private final Analysis before;
    private final Analysis after;
    private final Change change;
    private final Mapping mapping;

    public MovedTypes(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
        this.mapping = change.mapping();
    }

    /**
     * The code of one declaration.
     *
     * @param file  that it stands in
     * @param words its tokens, without white space and comments
     * @param name  the index among these of its name
     */
    private record Text(AttributedFile file, List<Integer> words, int name) {

        static Optional<Text> of(Analysis analysis, SymbolKey type) {
            return analysis.declaration(type).flatMap(declared -> analysis.code(declared.file())
                    .flatMap(code -> code.declaration(declared.range())
                            .filter(path -> path.getLeaf() instanceof ClassTree)
                            .map(path -> of(code, path, declared.range()))));
        }

        private static Text of(AttributedFile code, TreePath path, Range name) {
            Tokens tokens = code.tokens();
            List<Integer> words = new ArrayList<>();
            int end = code.range(path.getLeaf()).end();
            int named = 0;
            for (int i = tokens.code(tokens.at(code.range(path.getLeaf()).start())); i < tokens.count()
                    && tokens.start(i) < end; i = tokens.code(i + 1)) {
                if (tokens.start(i) == name.start()) {
                    named = words.size();
                }
                words.add(i);
            }
            return new Text(code, words, named);
        }

        String word(int index) {
            return index < words.size() ? file.tokens().text(words.get(index)) : "";
        }

        boolean isName(int index) {
            return index < words.size() && file.tokens().kind(words.get(index)) == TokenKind.IDENTIFIER;
        }

        Range range(int index) {
            return file.tokens().range(words.get(Math.min(index, words.size() - 1)));
        }
    }

    public List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        for (SymbolKey key : change.meaning().owners().keySet()) {
            if (key instanceof SymbolKey.Type) {
                compare(key).ifPresent(differences::add);
            }
        }
        if (!change.meaning().owners().isEmpty() && differences.isEmpty()) {
            differences.addAll(access());
        }
        return differences;
    }

    private Optional<Difference> compare(SymbolKey type) {
        Optional<Text> was = Text.of(before, type);
        Optional<Text> is = Text.of(after, mapping.key(type));
        if (was.isEmpty() || is.isEmpty()) {
            return before.declaration(type).map(declared -> difference(declared, "the declaration would be lost"));
        }
        return compare(was.get(), is.get()).map(index -> new Difference(Difference.Kind.UNPROVEN,
                was.get().file().file().path(), was.get().range(index), Optional.of(type), Optional.empty(),
                "the text of what moves would read otherwise from here on; that is a fault of deft"));
    }

    /** The index of the first word that is another. */
    private Optional<Integer> compare(Text was, Text is) {
        int one = 0;
        int other = 0;
        while (one < was.words().size() || other < is.words().size()) {
            if (was.word(one).equals(is.word(other)) && was.isName(one) == is.isName(other)) {
                one++;
                other++;
            } else if (one < was.name() && OF_PLACE.contains(was.word(one))) {
                one++;
            } else if (other < is.name() && OF_PLACE.contains(is.word(other))) {
                other++;
            } else if (isPermitted(was, is, one, other)) {
                other = endOfClause(is, other);
            } else if (isOpening(was, one, is, other)) {
                one += CLOSING.contains(was.word(one)) ? 1 : 0;
                other += OPENING.contains(is.word(other)) ? 1 : 0;
            } else if (isQualifier(before, was, one)) {
                one += 2;
            } else if (isQualifier(after, is, other)) {
                other += 2;
            } else {
                return Optional.of(one);
            }
        }
        return Optional.empty();
    }

    /** Whether a member that is announced to be opened says so here. */
    private boolean isOpening(Text was, int one, Text is, int other) {
        boolean isWord = OPENING.contains(is.word(other)) || CLOSING.contains(was.word(one));
        return isWord && change.meaning().opened().stream().flatMap(key -> before.declaration(key).stream())
                .anyMatch(declared -> declared.file().equals(was.file().file().path())
                        && was.file().declaration(declared.range()).map(path -> was.file().range(path.getLeaf()))
                        .filter(range -> range.start() <= was.range(one).start()
                                && was.range(one).start() <= declared.range().start()).isPresent());
    }

    /** Where a sealed type had its subtypes in its file (JLS 8.1.6), a clause names them; the compiler counts them. */
    private static boolean isPermitted(Text was, Text is, int one, int other) {
        return was.word(one).equals("{") && is.word(other).equals("permits");
    }

    private static int endOfClause(Text is, int from) {
        int at = from;
        while (at < is.words().size() && !is.word(at).equals("{")) {
            at++;
        }
        return at;
    }

    /** Whether a name of a type or package stands there, from which the next is selected. */
    private static boolean isQualifier(Analysis analysis, Text text, int index) {
        return text.isName(index) && text.word(index + 1).equals(".")
                && analysis.bindings(text.file().file().path()).stream()
                .filter(binding -> binding.isNamed() && binding.range().equals(text.range(index)))
                .map(Binding::key)
                .anyMatch(key -> key instanceof SymbolKey.Type || key instanceof SymbolKey.Package);
    }

    /** Declarations whose modifiers are others than was announced, in the files that change. */
    private List<Difference> access() {
        List<Difference> differences = new ArrayList<>();
        change.effective().forEach(file -> before.bindings(file.path()).stream()
                .filter(binding -> binding.role() == Role.DECLARATION)
                .forEach(declared -> access(declared).ifPresent(differences::add)));
        return differences;
    }

    private Optional<Difference> access(Binding declared) {
        Optional<Symbol> was = before.symbol(declared.key()).filter(symbol -> !symbol.kind().isLocal());
        Optional<Symbol> is = was.isEmpty() ? Optional.empty() : after.symbol(mapping.key(declared.key()));
        if (was.isEmpty() || is.isEmpty()) {
            return Optional.empty();
        }
        AccessLevel today = AccessLevel.of(was.get().modifiers());
        AccessLevel then = AccessLevel.of(is.get().modifiers());
        boolean isMoved = change.meaning().owners().containsKey(declared.key());
        boolean isOpener = then.compareTo(today) > 0 && !change.meaning().opened().contains(declared.key());
        if (isOpener) {
            return Optional.of(difference(declared, described(was.get()) + " would be open to " + then.words()
                    + ", which nobody announced"));
        }
        Set<Modifier> lost = others(was.get().modifiers(), isMoved);
        Set<Modifier> now = others(is.get().modifiers(), isMoved);
        return lost.equals(now) ? Optional.empty() : Optional.of(difference(declared, described(was.get())
                + " would be '" + words(now) + "' instead of '" + words(lost) + "'"));
    }

    private static String described(Symbol symbol) {
        return "the " + symbol.describe();
    }

    private static String words(Set<Modifier> modifiers) {
        return modifiers.stream().sorted().map(Modifier::toString).collect(Collectors.joining(" "));
    }

    private static Set<Modifier> others(Set<Modifier> modifiers, boolean isMoved) {
        Set<Modifier> others = new HashSet<>(modifiers);
        others.removeAll(ACCESS);
        if (isMoved) {
            others.remove(Modifier.STATIC);
        }
        return others;
    }

    private static Difference difference(Binding declared, String sentence) {
        return new Difference(Difference.Kind.UNPROVEN, declared.file(), declared.range(), Optional.of(declared.key()),
                Optional.empty(), sentence);
    }
}
