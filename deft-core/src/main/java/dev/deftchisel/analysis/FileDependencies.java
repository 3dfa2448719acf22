package dev.deftchisel.analysis;

import dev.deftchisel.added.Additions;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import dev.deftchisel.source.outline.FileOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What has to be known of a file to tell on what its meaning rests, and whose meaning rests on it.
 *
 * @param content      hash of its text
 * @param types        simple names of its top-level types
 * @param declarations hash of what it declares for others
 * @param secrets      its private members: hashes by names
 * @param declaring    the names, of types anywhere, that its declarations mention
 * @param mentioned    the names, of types and private members anywhere, that its text mentions
 */
public record FileDependencies(
        String content, List<String> types, String declarations, Map<String, String> secrets, Set<String> declaring,
        Set<String> mentioned) {

    /** How many words are looked for one by one rather than together. */
    private static final int FEW = 20;

    /** The outline of a file, without the names that it mentions. */
    static FileDependencies of(SourceFile file, Additions added) {
        Map<String, String> secrets = new HashMap<>();
        for (FileOutline.Secret secret : file.outline().secrets()) {
            secrets.merge(secret.name(), hash(file.content().substring(secret.range().start(), secret.range().end())),
                    String::concat);
        }
        return new FileDependencies(hash(file.content()), List.copyOf(file.header().types()),
                hash(words(open(file)) + added.fingerprint()), secrets, Set.of(), Set.of());
    }

    private static String open(SourceFile file) {
        return file.outline().openDeclarations(file.content());
    }

    /** Code without its layout. */
    private static String words(String code) {
        Tokens tokens = Tokens.of(code);
        StringBuilder words = new StringBuilder();
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            words.append(tokens.text(i)).append(' ');
        }
        return words.toString();
    }

    /** Whether it is of this text. */
    boolean isOf(SourceFile file) {
        return content.equals(hash(file.content()));
    }

    /** The same with those of some more names that the file mentions. */
    FileDependencies naming(Set<String> typeNames, Set<String> secretNames, SourceFile file) {
        Set<String> all = new HashSet<>(typeNames);
        all.addAll(secretNames);
        boolean isPlain = all.size() < FEW && !file.hasEscapes();
        Set<String> found = isPlain ? all.stream().filter(name -> Words.contains(file.content(), name))
                .collect(Collectors.toSet())
                : Words.among(all, file.content());
        if (found.isEmpty()) {
            return this;
        }
        Set<String> foundTypes = new HashSet<>(found);
        foundTypes.retainAll(typeNames);
        return new FileDependencies(content, types, declarations, secrets,
                foundTypes.isEmpty() ? declaring : union(declaring, Words.among(foundTypes, open(file))),
                union(mentioned, found));
    }

    private static Set<String> union(Set<String> some, Set<String> others) {
        Set<String> all = new HashSet<>(some);
        all.addAll(others);
        return all;
    }

    static String hash(String text) {
        return SourceText.hash(text.getBytes(StandardCharsets.UTF_8));
    }
}
