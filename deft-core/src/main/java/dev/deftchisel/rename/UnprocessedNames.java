package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;

/**
 * Finds names that look as if an annotation processor made them from what is renamed, where nobody runs it and nothing
 * is there that it made earlier: {@code BerthBuilder} for {@code Berth}, {@code depth} of something unknown for
 * {@code depth}.
 */
final class UnprocessedNames {

    private final Symbol target;
    private final Analysis before;
    private final Analyst analyst;

    UnprocessedNames(Symbol target, Analysis before, Analyst analyst) {
        this.target = target;
        this.before = before;
        this.analyst = analyst;
    }

    /** Why what is renamed cannot be followed; empty when there is no such processor or no such name. */
    Optional<Reason> objection() {
        Optional<Reason> built = builtOfIt();
        if (built.isPresent()) {
            return built;
        }
        Optional<SourceFile> home = analyst.declaring(target.key()).filter(file -> hasUnknownProcessor(file.module()));
        if (home.isEmpty() || target.kind().isLocal() || !home.get().module().dependencies().missing().isEmpty()
                || !isAnnotated()) {
            return Optional.empty();
        }
        return target.kind().isType() ? madeType() : before.unresolved(target.name()).stream().findFirst()
                .map(binding -> reason(binding.file(), binding.range(), "'" + target.name()
                        + "' of something that is not known here"));
    }

    /** Members of the last build that are called after what is renamed, as it seems. */
    private Optional<Reason> builtOfIt() {
        String word = target.name().toLowerCase(Locale.ROOT);
        return target.kind().isLocal() ? Optional.empty() : analyst.declaring(target.key())
                .flatMap(file -> analyst.added(file).members().stream()
                .flatMap(type -> type.members().stream())
                .filter(one -> one.isBuilt() && !one.name().equals(target.name()) && one.name().toLowerCase(Locale.ROOT)
                        .contains(word)).findFirst()
                .map(one -> Reason.at(file.path(), new Range(0, 0), "'" + one.name()
                        + "' is added by an annotation processor, as class files of the last"
                        + " build show, and may be called after the " + target.describe()
                        + "; how it would be called then is not known")));
    }

    /** Whether the type has an annotation, or a member of it, that is none of the language. */
    private boolean isAnnotated() {
        Optional<Element> element = before.known(target.key()).map(Analysis.KnownElement::element);
        Optional<Element> type = element.map(one -> one instanceof TypeElement ? one : one.getEnclosingElement());
        return type.stream().flatMap(one -> Stream.concat(Stream.of(one), one.getEnclosedElements().stream()))
                .flatMap(one -> one.getAnnotationMirrors().stream())
                .anyMatch(annotation -> annotation.getAnnotationType().asElement() instanceof TypeElement named
                        && !named.getQualifiedName().toString().startsWith("java.lang."));
    }

    private boolean hasUnknownProcessor(Module module) {
        return module.roots().stream().noneMatch(SourceRoot::isProcessed)
                && module.dependencies().processors().stream().anyMatch(processor -> !analyst.standsFor(processor));
    }

    private Optional<Reason> madeType() {
        Snapshot snapshot = before.snapshot();
        Set<String> packages = snapshot.files().stream().map(file -> file.header().packageName())
                .collect(Collectors.toSet());
        for (SourceFile file : snapshot.files()) {
            if (file.root().kind() == SourceRoot.Kind.SOURCE && file.content().contains(target.name())) {
                Optional<String> made = file.tokens().names().stream()
                        .filter(name -> isMadeOf(name) && !isOfLibrary(name, file, packages)).sorted()
                        .filter(name -> !isDeclared(name, snapshot)).findFirst();
                if (made.isPresent()) {
                    return Optional.of(reason(file.path(), place(file.tokens(), made.get()), "'" + made.get()
                            + "', which is not known here"));
                }
            }
        }
        return Optional.empty();
    }

    private static boolean isDeclared(String name, Snapshot snapshot) {
        return snapshot.files().stream().anyMatch(file -> file.header().headerNames().contains(name)
                && file.outline().types().stream().anyMatch(type -> type.name().equals(name)));
    }

    /** Whether a name begins like that of a type and has the name of the target as a word in it. */
    private boolean isMadeOf(String name) {
        int at = name.indexOf(target.name());
        int end = at + target.name().length();
        return at >= 0 && !name.equals(target.name()) && Character.isUpperCase(name.charAt(0))
                && (end == name.length() || !Character.isLowerCase(name.charAt(end)));
    }

    private static boolean isOfLibrary(String name, SourceFile file, Set<String> packages) {
        return file.outline().imports().stream().anyMatch(line -> line.simpleName().equals(name)
                && !packages.contains(line.name().substring(0, Math.max(0, line.name().lastIndexOf('.')))));
    }

    private static Range place(Tokens tokens, String name) {
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.kind(i) == TokenKind.IDENTIFIER && tokens.isName(i, name)) {
                return tokens.range(i);
            }
        }
        return new Range(0, 0);
    }

    private Reason reason(Path file, Range range, String what) {
        return Reason.at(file, range, "the code names " + what + " and may be made from the " + target.describe()
                + " by an annotation processor of the build; it follows when that may run (--run-processors)");
    }
}
