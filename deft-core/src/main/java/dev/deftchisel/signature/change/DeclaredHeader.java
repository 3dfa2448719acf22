package dev.deftchisel.signature.change;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.signature.header.HeaderReader;
import dev.deftchisel.signature.header.TypedHeader;
import dev.deftchisel.signature.written.ListSlots;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;

/**
 * The header of one declaration as it stands.
 *
 * @param code    its file
 * @param path    the declaration
 * @param element what it declares
 * @param header  read off the text
 * @param offset  of the header in the file
 */
public record DeclaredHeader(AttributedFile code, TreePath path, ExecutableElement element, TypedHeader header,
        int offset) {

    /**
     * The header whose name stands at a range; empty where there is no list of parameters, as for the compact
     * constructor and the accessors of a record, and where it says what cannot be typed, such as a receiver.
     */
    public static Optional<DeclaredHeader> at(AttributedFile code, Range name) {
        Optional<TreePath> path = code.declaration(name).filter(found -> found.getLeaf() instanceof MethodTree);
        if (path.isEmpty() || !(code.element(path.get()).orElse(null) instanceof ExecutableElement element)) {
            return Optional.empty();
        }
        MethodTree tree = (MethodTree) path.get().getLeaf();
        Range whole = code.range(tree);
        int end = tree.getBody() == null ? whole.end() : code.range(tree.getBody()).start();
        String text = code.text(new Range(whole.start(), end));
        return HeaderReader.read(text).header()
                .filter(header -> header.name().start() + whole.start() == name.start()
                        && header.parameters().size() == element.getParameters().size())
                .map(header -> new DeclaredHeader(code, path.get(), element, header, whole.start()));
    }

    /** Where a part of the header stands in the file. */
    public Range place(Range part) {
        return new Range(part.start() + offset, part.end() + offset);
    }

    /** Where its name stands. */
    public Range name() {
        return place(header.name());
    }

    /** What stands between the parentheses. */
    public Range inner() {
        Tokens tokens = code.tokens();
        int open = tokens.code(tokens.at(name().end()));
        int last = header.parameters().isEmpty() ? open
                : tokens.at(place(header.parameters().get(header.parameters().size() - 1).name()).end() - 1);
        return new Range(tokens.end(open), tokens.start(tokens.code(last + 1)));
    }

    /** Its parameters, cut at their commas. */
    public ListSlots slots() {
        return new ListSlots(code.file(), inner(), header.parameters().stream()
                .map(one -> place(new Range(one.modifiers().start(), one.name().end()))).toList());
    }
}
