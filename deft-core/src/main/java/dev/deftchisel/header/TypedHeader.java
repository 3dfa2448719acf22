package dev.deftchisel.header;

import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * The header of a method or constructor as somebody typed it. What is left out stays as it is. All ranges are in its
 * text.
 *
 * @param text       as typed
 * @param head       what stands before the name
 * @param name       of the method
 * @param parameters in order
 * @param thrown     the exceptions; empty when there is no {@code throws}
 * @param defaultValue of an element of an annotation (JLS 9.6.2), nothing where it is to go; empty when there is no
 *                   {@code default}
 * @param object     the parameter called {@code this} (JLS 8.4), which is the object that the method is called on
 */
public record TypedHeader(String text, Head head, Range name, List<TypedParameter> parameters, Optional<Range> thrown,
        Optional<Range> defaultValue, Optional<TypedParameter> object) {

    /** Copies the list. */
    public TypedHeader {
        parameters = List.copyOf(parameters);
    }

    /**
     * What stands before the name.
     *
     * @param modifiers      words and annotations; empty when there are none
     * @param typeParameters in their brackets
     * @param result         the type of the result; empty when it is not there, and for constructors
     */
    public record Head(Range modifiers, Optional<Range> typeParameters, Optional<Range> result) {
    }

    /**
     * One parameter.
     *
     * @param modifiers {@code final} and annotations; may be empty
     * @param type      with the dots of a parameter of any number
     * @param name      of the parameter
     * @param value     what calls pass for it where it is new
     */
    public record TypedParameter(Range modifiers, Range type, Range name, Optional<Range> value) {
    }

    /** From the result, or the name where there is none, to the last exception, in one line. */
    public String core() {
        int start = head.result().map(Range::start).orElse(name.start());
        return text.substring(start, thrown.filter(range -> range.length() > 0).map(Range::end)
                .orElse(text.length())).replaceFirst("[;{\\s]+$", "").replaceAll("\\s+", " ");
    }

    /** Where its modifiers stand that are words, without annotations. */
    public List<Range> words() {
        Tokens tokens = Tokens.of(text);
        List<Range> found = new ArrayList<>();
        int depth = 0;
        for (int i = 0; i < tokens.count() && tokens.start(i) < head.modifiers().end(); i++) {
            depth += tokens.is(i, "(") ? 1 : tokens.is(i, ")") ? -1 : 0;
            int before = tokens.codeBefore(i - 1);
            boolean isOfAnnotation = depth > 0 || before >= 0 && (tokens.is(before, "@") || tokens.is(before, "."));
            if (Character.isLetter(tokens.text(i).charAt(0)) && !isOfAnnotation
                    && tokens.start(i) >= head.modifiers().start()) {
                found.add(tokens.range(i));
            }
        }
        return found;
    }

    /** How far it says that the method is open; empty when it does not say. */
    public Optional<AccessLevel> access() {
        return accessWord().flatMap(word -> Arrays.stream(AccessLevel.values())
                .filter(level -> level.prefix().strip().equals(at(word))).findFirst());
    }

    /** Where the word stands that says it. */
    public Optional<Range> accessWord() {
        return words().stream().filter(word -> at(word).matches("public|protected|private")).findFirst();
    }

    /** Its parameters as they are compared with others. */
    public List<ParameterOrigins.Known> known() {
        return parameters.stream().map(one -> new ParameterOrigins.Known(at(one.name()), compact(at(one.type())),
                one.value().isPresent())).toList();
    }

    /** A parameter as it is declared, without what calls pass for it. */
    public String declared(TypedParameter parameter) {
        return at(new Range(parameter.modifiers().start(), parameter.name().end()));
    }

    /** The text of a header of the same name with other parameters; what else there is stays as it is. */
    public String with(List<String> others) {
        return at(name) + "(" + String.join(", ", others) + ")";
    }

    /** What stands at a range. */
    public String at(Range range) {
        return text.substring(range.start(), range.end());
    }

    /** A type or list of types without its white space and comments, by which two of them are compared. */
    public static String compact(String code) {
        Tokens tokens = Tokens.of(code);
        return IntStream.range(0, tokens.count()).filter(i -> !tokens.kind(i).isTrivia()).mapToObj(tokens::text)
                .collect(Collectors.joining(" "));
    }
}
