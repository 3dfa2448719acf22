package dev.deftchisel.signature.plan;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.Optional;
import java.util.function.Function;
import javax.lang.model.element.TypeElement;

/**
 * Typed code as it is written into a file: types that the file does not know are imported, or written in full where
 * that is impossible.
 */
public final class TypedCode {

    private final Analysis before;
    private final SignatureChange change;
    private final AttributedFile code;
    private final TypeWriter writer;

    /**
     * @param code   the file
     * @param writer of types there
     */
    public TypedCode(Analysis before, SignatureChange change, AttributedFile code, TypeWriter writer) {
        this.before = before;
        this.change = change;
        this.code = code;
        this.writer = writer;
    }

    /** The code that all this is planned with. */
    public Analysis before() {
        return before;
    }

    /** What becomes of the header. */
    public SignatureChange change() {
        return change;
    }

    /** Writes types in the file. */
    public TypeWriter writer() {
        return writer;
    }

    /** The file. */
    public AttributedFile code() {
        return code;
    }

    /** Types as typed, in the file of the header. */
    public String type(String typed) {
        return written(typed, name -> Optional.ofNullable(change.types().qualified().get(name)));
    }

    /** What calls pass: each name in capitals that no dot stands before may be a type. */
    public String value(Range typed) {
        return value(change.typed(), typed);
    }

    /** A value that stands in a header, where it is typed or as it was. */
    public String value(TypedHeader header, Range value) {
        return written(header.at(value), name -> !Character.isUpperCase(name.charAt(0)) ? Optional.empty()
                : Optional.ofNullable(change.types().qualified().get(name)).or(() -> MeantType.of(before, name,
                change.own().code().file().path()).qualified()));
    }

    private String written(String typed, Function<String, Optional<String>> qualified) {
        Tokens tokens = Tokens.of(typed);
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < tokens.count(); i++) {
            int dot = tokens.codeBefore(i - 1);
            Optional<TypeElement> type = tokens.kind(i) != TokenKind.IDENTIFIER || dot >= 0 && tokens.is(dot, ".")
                    ? Optional.empty()
                    : qualified.apply(tokens.text(i)).map(name -> code.elements().getTypeElement(name));
            text.append(type.map(writer::name).orElse(tokens.text(i)));
        }
        return text.toString();
    }
}
