package dev.deftchisel.signature.plan;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.CanonicalConstructor;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;

/**
 * Has the compiler say what the types of a typed header are: the header is put in place of the one that stands there,
 * without any body being looked at. A type that the file does not know is looked for by its simple name.
 */
public final class HeaderTypes {

    private static final int MOST_UNKNOWN = 16;

    private final Analyst analyst;
    private final Analysis before;
    private final DeclaredHeader declared;
    private final TypedHeader typed;
    private final Map<String, String> qualified = new HashMap<>();

    public HeaderTypes(Analyst analyst, Analysis before, DeclaredHeader declared, TypedHeader typed) {
        this.analyst = analyst;
        this.before = before;
        this.declared = declared;
        this.typed = typed;
    }

    /**
     * What the types are.
     *
     * @param code      the file with the typed header
     * @param method    that it declares
     * @param qualified what the file does not know, by simple name
     */
    public record Resolved(AttributedFile code, ExecutableElement method, Map<String, String> qualified) {
    }

    /**
     * The types, or what is wrong with one of them.
     *
     * @param types     empty when something is wrong
     * @param objection what and where in the header
     */
    public record Result(Optional<Resolved> types, String objection) {
    }

    /** A stretch of the typed header in the file. */
    private record Segment(int start, Range typed) {
    }

    public Result resolve() {
        Path path = declared.code().file().path();
        String objection = "";
        for (int i = 0; i < MOST_UNKNOWN; i++) {
            List<Segment> segments = new ArrayList<>();
            String text = written(segments);
            Analysis trial = analyst.of(analyst.snapshot().with(Map.of(path, Optional.of(text)), Map.of()))
                    .analyse(declared.isLocal() ? Focus.whole(Set.of(path)) : Focus.declarations(List.of(path)));
            Optional<CompilerError> error = trial.errors(path).stream()
                    .filter(one -> segment(segments, one.range().start()).isPresent()).findFirst();
            if (error.isEmpty()) {
                return found(trial, path, segments);
            }
            Segment segment = segment(segments, error.get().range().start()).orElseThrow();
            objection = objection(error.get(), text, segment);
            if (!objection.isEmpty()) {
                return new Result(Optional.empty(), objection);
            }
        }
        return new Result(Optional.empty(), "the header names more types that nobody knows than can be looked for");
    }

    private Result found(Analysis trial, Path path, List<Segment> segments) {
        Segment name = segments.stream().filter(one -> one.typed().equals(typed.name())).findFirst().orElseThrow();
        AttributedFile code = trial.code(path).orElseThrow();
        Optional<Resolved> found = code.declaration(new Range(name.start(), name.start() + typed.name().length()))
                .flatMap(code::element)
                .map(element -> element instanceof TypeElement type ? CanonicalConstructor.of(type).orElse(null)
                        : element)
                .filter(ExecutableElement.class::isInstance)
                .map(method -> new Resolved(code, (ExecutableElement) method, Map.copyOf(qualified)));
        return new Result(found, found.isPresent() ? "" : "the header does not declare a method where it would stand");
    }

    /** Empty when the error is a type that can be found. */
    private String objection(CompilerError error, String text, Segment segment) {
        int at = segment.typed().start() + Math.max(0, Math.min(error.range().start() - segment.start(),
                segment.typed().length()));
        Tokens tokens = Tokens.of(text);
        String name = tokens.text(tokens.at(error.range().start()));
        if (!error.code().startsWith("compiler.err.cant.resolve") || qualified.containsKey(name)) {
            return HeaderReader.at(at, error.message());
        }
        MeantType meant = MeantType.of(before, name, declared.code().file().path());
        if (meant.qualified().isPresent()) {
            qualified.put(name, meant.qualified().get());
            return "";
        }
        List<String> called = meant.called();
        return HeaderReader.at(at, called.isEmpty() ? "there is no type '" + name + "'"
                : "several types are called '" + name + "'; write the one that you mean in full: "
                + String.join(", ", called));
    }

    private static Optional<Segment> segment(List<Segment> segments, int offset) {
        return segments.stream().filter(one -> one.start() <= offset)
                .reduce((first, last) -> last)
                // what a longer name adds belongs to the same segment
                .filter(one -> segments.indexOf(one) < segments.size() - 1 || offset < one.start()
                        + one.typed().length() + 1);
    }

    /** The file with the typed header in place. */
    private String written(List<Segment> segments) {
        String content = declared.code().file().content();
        StringBuilder text = new StringBuilder();
        TypedHeader old = declared.header();
        int name = declared.name().start();
        int from = old.head().result().map(result -> declared.place(result).start()).orElse(name);
        Optional<Range> parameters = typed.head().typeParameters().filter(all -> !declared.isOfRecord());
        if (parameters.isPresent()) {
            Range stands = old.head().typeParameters().map(declared::place).orElse(new Range(from, from));
            text.append(content, 0, stands.start());
            if (!TypedHeader.compact(typed.at(parameters.get())).equals("< >")) {
                add(text, parameters.get(), segments);
            }
            text.append(' ').append(content, stands.end(), from);
        } else {
            text.append(content, 0, from);
        }
        if (typed.head().result().isPresent() && old.head().result().isPresent()) {
            add(text, typed.head().result().get(), segments);
            from = declared.place(old.head().result().get()).end();
        }
        text.append(content, from, name);
        add(text, typed.name(), segments);
        text.append(content, declared.name().end(), declared.inner().start());
        for (int i = 0; i < typed.parameters().size(); i++) {
            TypedHeader.TypedParameter parameter = typed.parameters().get(i);
            text.append(i == 0 ? "" : ", ");
            add(text, parameter.modifiers(), segments);
            text.append(' ');
            add(text, parameter.type(), segments);
            text.append(' ');
            add(text, parameter.name(), segments);
        }
        int close = declared.inner().end();
        if (typed.thrown().isEmpty()) {
            return text.append(content, close, content.length()).toString();
        }
        text.append(')');
        if (typed.thrown().get().length() > 0) {
            text.append(" throws ");
            add(text, typed.thrown().get(), segments);
        }
        text.append(' ');
        int end = old.thrown().map(thrown -> declared.place(thrown).end()).orElse(close + 1);
        return text.append(content, end, content.length()).toString();
    }

    private void add(StringBuilder text, Range part, List<Segment> segments) {
        segments.add(new Segment(text.length(), part));
        text.append(inFull(typed.at(part)));
    }

    private String inFull(String code) {
        Tokens tokens = Tokens.of(code);
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < tokens.count(); i++) {
            int before = tokens.codeBefore(i - 1);
            boolean isFirst = tokens.kind(i) == TokenKind.IDENTIFIER && (before < 0 || !tokens.is(before, "."));
            text.append(isFirst ? qualified.getOrDefault(tokens.text(i), tokens.text(i)) : tokens.text(i));
        }
        return text.toString();
    }
}
