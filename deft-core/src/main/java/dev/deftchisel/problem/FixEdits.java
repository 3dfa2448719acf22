package dev.deftchisel.problem;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** Takes down how a fix writes the code of a file otherwise. */
public final class FixEdits {

    private final AttributedFile code;
    private final TypeWriter types;
    private final List<Edit> edits = new ArrayList<>();
    private final List<Range> removed = new ArrayList<>();
    private final Map<SymbolKey, String> descriptors = new HashMap<>();

    /**
     * @param code  the file
     * @param types writes types there
     */
    public FixEdits(AttributedFile code, TypeWriter types) {
        this.code = code;
        this.types = types;
    }

    /** The file. */
    public AttributedFile code() {
        return code;
    }

    /** Writes types, with the imports that they need. */
    public TypeWriter types() {
        return types;
    }

    /** New code in place of a range; what stays of it is to be carried, so that names in it can be followed. */
    public void replace(Range range, Consumer<NewCode> writer) {
        NewCode text = new NewCode(code.file());
        writer.accept(text);
        edits.add(text.replacing(range));
    }

    /** New code in place of a tree. */
    public void replace(Tree tree, Consumer<NewCode> writer) {
        replace(code.range(tree), writer);
    }

    /** Plain text in place of a range. */
    public void replace(Range range, String text) {
        replace(range, to -> to.write(text));
    }

    /** Text before what stands at an offset. */
    public void insert(int offset, String text) {
        replace(new Range(offset, offset), text);
    }

    /** A part of an expression in place of all of it, with parentheses where it needs them there. */
    public void keep(TreePath whole, ExpressionTree part) {
        boolean isGrouped = Precedence.needsParentheses(part, whole.getLeaf(), whole.getParentPath().getLeaf());
        Range range = code.range(whole.getLeaf());
        replace(range, to -> to.apartFrom(range.start()).write(isGrouped ? "(" : "").carry(code.range(part))
                .write(isGrouped ? ")" : ""));
    }

    /** Takes code away as it is. */
    public void cut(Range range) {
        edits.add(Edit.of(range, "", Edit.Kind.CODE));
    }

    /** Takes one of a list away, with the comma after it, or before it for the last one. */
    public void cut(List<? extends Tree> list, int index) {
        Range own = code.range(list.get(index));
        int start = index > 0 ? code.range(list.get(index - 1)).end() : own.start();
        int end = index == 0 && list.size() > 1 ? code.range(list.get(1)).start() : own.end();
        cut(new Range(start, end));
    }

    /** Takes down what another fix would write, but for what touches what is taken down already. */
    public void adopt(Consumer<FixEdits> writer) {
        FixEdits other = new FixEdits(code, types);
        writer.accept(other);
        boolean isApart = other.edits.stream().noneMatch(edit -> edits.stream()
                .anyMatch(known -> known.range().touches(edit.range().start())
                || known.range().touches(edit.range().end()) || edit.range().encloses(known.range())));
        if (isApart) {
            edits.addAll(other.edits);
            removed.addAll(other.removed);
            descriptors.putAll(other.descriptors);
        }
    }

    /** Takes away a statement or member with its lines, and with the comments that belong to it. */
    public void remove(Range range) {
        removed.add(range);
        edits.add(Edit.of(Layout.removed(code.file(), range), "", Edit.Kind.CODE));
    }

    /** Writes the imports anew; to be the only edit of its fix. */
    public void replaceImports(Range range, Consumer<NewCode> writer) {
        NewCode text = new NewCode(code.file());
        writer.accept(text);
        Edit edit = text.replacing(range);
        edits.add(Edit.of(edit.range(), edit.replacement(), Edit.Kind.IMPORT).carrying(edit.carried()));
    }

    /** Takes away an import with its line; a comment among imports is about several of them as a rule. */
    public void removeImport(Range range) {
        removed.add(range);
        edits.add(Edit.of(Layout.removed(code.file(), range), "", Edit.Kind.IMPORT));
    }

    /** A method has other parameters afterwards (JVMS 4.3.3). */
    public void redescribe(SymbolKey method, String descriptor) {
        descriptors.put(method, descriptor);
    }

    /** The methods that have other parameters afterwards. */
    public Map<SymbolKey, String> descriptors() {
        return Map.copyOf(descriptors);
    }

    /** Whether nothing would happen, not even an import. */
    public boolean isEmpty() {
        return edits.isEmpty() && !addsImport();
    }

    /** Whether names that are written need imports. */
    public boolean addsImport() {
        return !types.imports().isEmpty();
    }

    /** Whether an import goes. */
    public boolean removesImport() {
        return edits.stream().anyMatch(edit -> edit.kind() == Edit.Kind.IMPORT);
    }

    /** What was taken down. */
    public List<Edit> edits() {
        return List.copyOf(edits);
    }

    /** Whether a comment would go that is not part of something that goes as a whole. */
    public boolean losesComment() {
        return edits.stream().anyMatch(this::losesComment);
    }

    private boolean losesComment(Edit edit) {
        Tokens tokens = code.tokens();
        for (int i = tokens.at(edit.range().start()); edit.range().length() > 0 && i < tokens.count()
                && tokens.start(i) < edit.range().end(); i++) {
            Range token = tokens.range(i);
            if (tokens.kind(i).isComment() && edit.range().encloses(token)
                    && edit.carried().stream().noneMatch(piece -> piece.from().encloses(token))
                    && removed.stream().noneMatch(range -> range.encloses(token))
                    && !edit.replacement().contains(tokens.text(i))) {
                return true;
            }
        }
        return false;
    }
}
