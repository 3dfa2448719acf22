package dev.deftchisel.extract.value;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.rewrite.Block;
import dev.deftchisel.rewrite.place.InsertionPoint;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;

/** Writes the declaration, the block that is made for it where there is none, and the name in each place. */
final class ExtractEdits {

    private final AttributedFile code;
    private final SelectedExpression selected;
    private final VariableDeclaration declared;
    private final List<VariableDeclaration> first;
    private final Layout layout;
    private final List<Edit> edits = new ArrayList<>();

    /**
     * @param code the file
     * @param all  the variables in the order of their declarations; the last is the one that was asked for
     */
    ExtractEdits(AttributedFile code, List<VariableDeclaration> all) {
        this.code = code;
        this.declared = all.get(all.size() - 1);
        this.first = all.subList(0, all.size() - 1);
        this.selected = declared.selected();
        this.layout = Layout.of(code.file());
    }

    List<Edit> of(VariablePlacement places) {
        Range value = places.first().getLeaf() == selected.tree() ? selected.range()
                : code.range(places.first().getLeaf());
        if (places.home() instanceof InsertionPoint.Before before) {
            before(before, value);
        } else if (places.home() instanceof InsertionPoint.Around around) {
            within(new Block(code, around), around, value);
        } else {
            within(new Block(code, (InsertionPoint.Instead) places.home()), places.home(), value);
        }
        for (TreePath used : places.used()) {
            if (used != places.first() || !standsAlone(places.home(), value)) {
                replace(used, value);
            }
        }
        first.forEach(this::replace);
        edits.addAll(declared.imports());
        return edits;
    }

    /** Whether the value is all there is of a statement, which then becomes the declaration. */
    private boolean standsAlone(InsertionPoint home, Range value) {
        if (home instanceof InsertionPoint.Instead instead) {
            return instead.keyword().isEmpty() && code.range(instead.expression().getLeaf()).equals(value);
        }
        Tree statement = home instanceof InsertionPoint.Before before ? before.tree() : ((InsertionPoint.Around) home)
                .statement().getLeaf();
        return statement instanceof ExpressionStatementTree alone && code.range(alone.getExpression()).equals(value);
    }

    /** Writes the declarations, with something between and after them. */
    private NewCode declare(NewCode to, Range value, String indent, String separator) {
        for (VariableDeclaration one : first) {
            Range own = one.selected().range();
            one.write(to).carry(own, Layout.indentOf(code.file(), own.start()), indent).write(";").write(separator);
        }
        return declared.write(to).carry(value, Layout.indentOf(code.file(), value.start()), indent)
                .write(";").write(separator);
    }

    private void replace(VariableDeclaration one) {
        edits.add(named(SelectedExpression.withParentheses(code, one.selected().path(), one.selected().range()),
                one.name()));
    }

    /** A name in the place of code that begins with a parenthesis may come to touch the word before it. */
    private Edit named(Range place, String name) {
        return new NewCode(code.file()).apartFrom(place.start()).name(name).replacing(place);
    }

    private void before(InsertionPoint.Before home, Range value) {
        int start = code.range(home.tree()).start();
        if (standsAlone(home, value)) {
            edits.add(declared.write(new NewCode(code.file())).at(start));
            return;
        }
        String indent = Layout.indentOf(code.file(), start);
        boolean startsLine = code.file().content().startsWith(indent, lineStart(start))
                && lineStart(start) + indent.length() == start;
        edits.add(declare(new NewCode(code.file()), value, indent, startsLine ? layout.lineEnd() + indent : " ")
                .at(start));
    }

    private int lineStart(int offset) {
        return code.file().lines().rangeOf(code.file().lines().line(offset)).start();
    }

    /** In a block that is made. */
    private void within(Block block, InsertionPoint home, Range value) {
        boolean isAlone = standsAlone(home, value);
        edits.add(block.open(text -> {
            if (isAlone) {
                declared.write(text);
            } else {
                String indent = block.newLine().substring(layout.lineEnd().length());
                declare(text, value, indent, block.newLine()).write(block.keyword());
            }
        }));
        edits.add(block.close());
    }

    private void replace(TreePath used, Range value) {
        Range own = selected.own(code, used);
        Range whole = selected.whole(code, used);
        Edit edit = named(whole, declared.name());
        edits.add(own.equals(value) ? edit : edit.giving(List.of(new DuplicateClaim(whole, value))));
    }
}
