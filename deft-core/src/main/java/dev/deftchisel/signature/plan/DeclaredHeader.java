package dev.deftchisel.signature.plan;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.CanonicalConstructor;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.signature.written.ListSlots;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.TypeElement;

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

    /** The header of a method or constructor, which for a record is that of its canonical constructor. */
    public static Optional<DeclaredHeader> of(Analysis analysis, SymbolKey method) {
        Optional<DeclaredHeader> record = analysis.declaration(((SymbolKey.Method) method).owner())
                .flatMap(type -> analysis.code(type.file()).flatMap(code -> ofRecord(code, type.range())
                        .filter(header -> code.key(header.element()).equals(method))));
        return record.or(() -> analysis.declaration(method).flatMap(declared -> analysis.code(declared.file())
                .flatMap(code -> at(code, declared.range()))));
    }

    /** Whether it stands in a class within a body. */
    public boolean isLocal() {
        for (Element at = element; at != null; at = at.getEnclosingElement()) {
            if (at instanceof TypeElement type && (type.getNestingKind() == NestingKind.LOCAL
                    || type.getNestingKind() == NestingKind.ANONYMOUS)) {
                return true;
            }
        }
        return false;
    }

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
                .filter(header -> header.name().start() + whole.start() == name.start() && header.object().isEmpty()
                        && header.parameters().size() == element.getParameters().size())
                .map(header -> new DeclaredHeader(code, path.get(), element, header, whole.start()));
    }

    /** The header of a record whose name stands at a range: that of its canonical constructor (JLS 8.10.4). */
    public static Optional<DeclaredHeader> ofRecord(AttributedFile code, Range name) {
        Optional<TreePath> path = code.declaration(name).filter(found -> found.getLeaf() instanceof ClassTree tree
                && tree.getKind() == Tree.Kind.RECORD);
        if (path.isEmpty() || !(code.element(path.get()).orElse(null) instanceof TypeElement type)) {
            return Optional.empty();
        }
        int start = code.range(path.get().getLeaf()).start();
        Tokens tokens = code.tokens();
        int close = tokens.at(name.end());
        int depth = 0;
        boolean isOpen = false;
        for (; close < tokens.count() && !(isOpen && depth == 0); close++) {
            depth += tokens.is(close, "(") ? 1 : tokens.is(close, ")") ? -1 : 0;
            isOpen |= depth > 0;
        }
        String text = code.text(new Range(start, tokens.end(close - 1)));
        return CanonicalConstructor.of(type).flatMap(constructor -> HeaderReader.read(text).header()
                .filter(header -> header.name().start() + start == name.start())
                .map(header -> new DeclaredHeader(code, path.get(), constructor, header, start)));
    }

    /** Whether it is that of a record. */
    public boolean isOfRecord() {
        return path.getLeaf() instanceof ClassTree;
    }

    /** Whether it is that of an element of an annotation (JLS 9.6.1). */
    public boolean isOfAnnotation() {
        return element.getEnclosingElement().getKind() == ElementKind.ANNOTATION_TYPE;
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
        int behind = isOfRecord() ? header.head().typeParameters().map(all -> place(all).end()).orElse(name().end())
                : name().end();
        int open = tokens.code(tokens.at(behind));
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
