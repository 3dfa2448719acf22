package dev.deftchisel.signature.declaration;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * The default of an element of an annotation (JLS 9.6.2): annotations that leave the element out say what they had from
 * it, where it goes or becomes another.
 */
public final class ElementDefault {

    private final SignatureChange change;
    private final DeclaredHeader own;
    private final Function<AttributedFile, TypedCode> typed;
    private final Function<AttributedFile, NestedEdits> edits;
    private int annotations;

    /**
     * @param typed what is written in a file
     * @param edits of a file
     */
    public ElementDefault(SignatureChange change, Function<AttributedFile, TypedCode> typed,
            Function<AttributedFile, NestedEdits> edits) {
        this.change = change;
        this.own = change.own();
        this.typed = typed;
        this.edits = edits;
    }

    /** Writes the declaration, and the annotations that leave the element out, where the default {@link #changes}. */
    public void write() {
        TypedCode home = typed.apply(own.code());
        String now = change.typed().at(change.typed().defaultValue().orElseThrow());
        int close = own.inner().end() + 1;
        Optional<Range> old = own.header().defaultValue();
        Range clause = new Range(close, old.map(own::place).map(Range::end).orElse(close));
        edits.apply(own.code()).replace(clause, List.of(), text -> text.write(now.isEmpty() ? ""
                : " default " + home.value(change.typed(), change.typed().defaultValue().get())));
        if (old.isPresent()) {
            SymbolKey type = own.code().key(own.element().getEnclosingElement());
            home.before().uses(type).forEach(use -> home.before().code(use.file())
                    .ifPresent(code -> annotation(code, use).ifPresent(found -> said(code, found))));
        }
    }

    /** How many annotations say now what they left out; after {@link #write}. */
    public int annotations() {
        return annotations;
    }

    /** Whether the default is another, or gone; where none is typed it stays. */
    public static boolean changes(TypedHeader old, TypedHeader typed) {
        return typed.defaultValue().filter(range -> !TypedHeader.compact(typed.at(range)).equals(old.defaultValue()
                .map(old::at).map(TypedHeader::compact).orElse(""))).isPresent();
    }

    private static Optional<TreePath> annotation(AttributedFile code, Binding use) {
        return code.around(use.range()).stream().filter(path -> path.getLeaf() instanceof AnnotationTree tree
                && code.range(tree.getAnnotationType()).end() == use.range().end()).findFirst();
    }

    private void said(AttributedFile code, TreePath path) {
        AnnotationTree annotation = (AnnotationTree) path.getLeaf();
        String name = own.header().at(own.header().name());
        List<? extends ExpressionTree> arguments = annotation.getArguments();
        boolean isSaid = arguments.stream().anyMatch(argument -> argument instanceof AssignmentTree pair
                && pair.getVariable() instanceof IdentifierTree element && element.getName().contentEquals(name));
        if (isSaid) {
            return;
        }
        annotations++;
        String pair = change.newMethodName().orElse(name) + " = " + typed.apply(code).value(own.header(),
                own.header().defaultValue().orElseThrow());
        int behind = code.range(annotation.getAnnotationType()).end();
        Range whole = code.range(annotation);
        if (arguments.isEmpty()) {
            edits.apply(code).replace(new Range(behind, whole.end()), List.of(), text -> text.write("(" + pair + ")"));
            return;
        }
        Tokens tokens = code.tokens();
        int first = tokens.code(tokens.code(tokens.at(behind)) + 1);
        boolean isAlone = tokens.kind(first) != TokenKind.IDENTIFIER || !tokens.is(tokens.code(first + 1), '=');
        if (isAlone) {
            // what stands alone is the element called value (JLS 9.7.3)
            insert(code, tokens.start(first), "value = ");
        }
        insert(code, tokens.end(tokens.codeBefore(tokens.at(whole.end() - 1) - 1)), ", " + pair);
    }

    private void insert(AttributedFile code, int at, String text) {
        edits.apply(code).replace(new Range(at, at), List.of(), to -> to.write(text));
    }
}
