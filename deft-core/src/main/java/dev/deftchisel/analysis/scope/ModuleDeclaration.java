package dev.deftchisel.analysis.scope;

import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a module declaration says (JLS 7.7) about which code sees which.
 *
 * @param name       of the module
 * @param required   names of the modules it requires
 * @param transitive those of them that its users read too
 * @param exported   packages, with the modules to which they are exported; none for all
 */
record ModuleDeclaration(String name, Set<String> required, Set<String> transitive, Map<String, Set<String>> exported) {

    /** Reads a {@code module-info.java}, also one that is half typed. */
    static ModuleDeclaration of(SourceFile file) {
        String name = "";
        Set<String> required = new HashSet<>();
        Set<String> transitive = new HashSet<>();
        Map<String, Set<String>> exported = new HashMap<>();
        for (List<String> directive : directives(file.tokens())) {
            int module = directive.lastIndexOf("module");
            String last = directive.get(directive.size() - 1);
            if (directive.get(0).equals("requires")) {
                required.add(last);
                if (directive.subList(1, directive.size() - 1).contains("transitive")) {
                    transitive.add(last);
                }
            } else if (directive.get(0).equals("exports") && directive.size() > 1) {
                int to = directive.indexOf("to");
                exported.put(directive.get(1), to < 0 ? Set.of()
                        : Set.copyOf(directive.subList(to + 1, directive.size())));
            } else if (module >= 0 && module + 1 < directive.size()) {
                name = directive.get(module + 1);
            }
        }
        return new ModuleDeclaration(name, Set.copyOf(required), Set.copyOf(transitive), Map.copyOf(exported));
    }

    /** Words and qualified names between semicolons and braces, commas left out. */
    private static List<List<String>> directives(Tokens tokens) {
        List<List<String>> all = new ArrayList<>();
        List<String> words = new ArrayList<>();
        boolean isContinued = false;
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            if (tokens.is(i, ';') || tokens.is(i, '{') || tokens.is(i, '}')) {
                if (!words.isEmpty()) {
                    all.add(List.copyOf(words));
                }
                words.clear();
            } else if (tokens.is(i, '.')) {
                isContinued = true;
                continue;
            } else if (!tokens.is(i, ',')) {
                int before = words.size() - 1;
                if (isContinued && before >= 0) {
                    words.set(before, words.get(before) + "." + tokens.text(i));
                } else {
                    words.add(tokens.text(i));
                }
            }
            isContinued = false;
        }
        return all;
    }

    /** Whether code of another module may name what is public in a package. */
    boolean exports(String packageName, String user) {
        return exported.containsKey(packageName)
                && (exported.get(packageName).isEmpty() || exported.get(packageName).contains(user));
    }
}
