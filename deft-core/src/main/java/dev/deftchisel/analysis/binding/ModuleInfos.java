package dev.deftchisel.analysis.binding;

import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Resolves the names in module declarations (JLS 7.7). Every name there is qualified and stands in a directive that
 * says what it must be, so no compiler is needed: after {@code requires}, {@code to} and {@code module} a module, after
 * {@code exports} and {@code opens} a package, after {@code uses}, {@code provides} and {@code with} a type.
 */
public final class ModuleInfos {

    private static final Set<String> MODULE_WORDS = Set.of("module", "requires", "to");
    private static final Set<String> PACKAGE_WORDS = Set.of("exports", "opens");
    private static final Set<String> TYPE_WORDS = Set.of("uses", "provides", "with");

    private final Map<String, String> binaryNames = new LinkedHashMap<>();

    public ModuleInfos(Snapshot snapshot) {
        Set<String> words = new HashSet<>();
        snapshot.files().stream().filter(SourceFile::isModuleInfo).forEach(file -> words.addAll(file.tokens().names()));
        List<SourceFile> named = words.isEmpty() ? List.of() : snapshot.files().stream()
                .filter(file -> file.header().types().stream().anyMatch(words::contains))
                .toList();
        for (SourceFile file : named) {
            String home = file.outline().packageName();
            for (TypeOutline type : file.outline().types()) {
                String nested = type.nestedName().replace('.', '$');
                binaryNames.putIfAbsent(file.outline().qualifiedName(type), home.isEmpty() ? nested
                        : home + "." + nested);
            }
        }
    }

    public List<Binding> bindings(SourceFile file) {
        List<Binding> found = new ArrayList<>();
        Tokens tokens = file.tokens();
        String directive = "";
        StringBuilder name = new StringBuilder();
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            boolean isName = tokens.kind(i) == TokenKind.IDENTIFIER;
            boolean startsName = isName && name.length() == 0;
            boolean isWord = startsName && isDirective(tokens, i);
            if (isWord) {
                directive = tokens.name(i);
            } else if (isName) {
                name.append(tokens.name(i));
                bind(file, i, directive, name.toString(), found);
            } else if (tokens.is(i, '.')) {
                name.append('.');
            } else {
                name.setLength(0);
            }
            if (isName && !isWord && !continues(tokens, i)) {
                name.setLength(0);
            }
        }
        return found;
    }

    /** A restricted word is one only at the start of a directive: a name or keyword follows, not a dot or semicolon. */
    private static boolean isDirective(Tokens tokens, int index) {
        String word = tokens.name(index);
        int after = tokens.code(index + 1);
        boolean followed = after < tokens.count()
                && (tokens.kind(after) == TokenKind.IDENTIFIER || tokens.kind(after) == TokenKind.KEYWORD);
        return followed && (MODULE_WORDS.contains(word) || PACKAGE_WORDS.contains(word) || TYPE_WORDS.contains(word)
                || word.equals("open") || word.equals("transitive"));
    }

    private static boolean continues(Tokens tokens, int index) {
        int after = tokens.code(index + 1);
        return after < tokens.count() && tokens.is(after, '.');
    }

    private void bind(SourceFile file, int token, String directive, String name, List<Binding> found) {
        boolean isWhole = !continues(file.tokens(), token);
        SymbolKey key = null;
        if (MODULE_WORDS.contains(directive)) {
            key = isWhole ? new SymbolKey.Module(name) : null;
        } else if (TYPE_WORDS.contains(directive) && binaryNames.containsKey(name)) {
            key = new SymbolKey.Type(binaryNames.get(name));
        } else if (TYPE_WORDS.contains(directive) || PACKAGE_WORDS.contains(directive)) {
            key = new SymbolKey.Package(name);
        }
        if (key != null) {
            Role role = directive.equals("module") && isWhole ? Role.DECLARATION : Role.TYPE;
            found.add(new Binding(file.path(), file.tokens().range(token), key, role, true));
        }
    }
}
