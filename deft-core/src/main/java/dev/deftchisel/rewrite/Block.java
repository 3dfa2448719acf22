package dev.deftchisel.rewrite;

import com.sun.source.tree.IfTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.rewrite.place.InsertionPoint;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.function.Consumer;

/** A block that is made where a single statement or an expression stands (JLS 14.2, 14.11.1, 15.27.2). */
public final class Block {

    private final AttributedFile code;
    private final Tree tree;
    private final Range body;
    private final String keyword;
    private final boolean isArrow;
    private final boolean isBeforeElse;
    private final String indent;
    private final Layout layout;

    /** In place of a statement that is the only one of a branch, loop or arrow. */
    public Block(AttributedFile code, InsertionPoint.Around home) {
        this(code, home.statement(), "", false, home.statement().getParentPath().getLeaf() instanceof IfTree choice
                && choice.getElseStatement() != null && choice.getThenStatement() == home.statement().getLeaf());
    }

    /** In place of the expression that a lambda or arrow consists of. */
    public Block(AttributedFile code, InsertionPoint.Instead home) {
        this(code, home.expression(), home.keyword(), home.keyword().equals("yield "), false);
    }

    private Block(AttributedFile code, TreePath body, String keyword, boolean isArrow, boolean isBeforeElse) {
        this.code = code;
        this.tree = body.getLeaf();
        this.body = code.range(body.getLeaf());
        this.keyword = keyword;
        this.isArrow = isArrow;
        this.isBeforeElse = isBeforeElse;
        this.indent = Layout.indentOf(code.file(), code.range(body.getParentPath().getLeaf()).start());
        this.layout = Layout.of(code.file());
    }

    /** What separates the statements of the block. */
    public String newLine() {
        return layout.lineEnd() + indent + layout.unit();
    }

    /** What an expression becomes a statement with: {@code return}, {@code yield} or nothing. */
    public String keyword() {
        return keyword;
    }

    /**
     * Opens the block before what stays.
     *
     * @param first writes what comes before that
     */
    public Edit open(Consumer<NewCode> first) {
        Range blank = blankBefore();
        NewCode text = new NewCode(code.file()).write(blank.length() > 0 ? " {" : "{").write(newLine());
        first.accept(text);
        return text.replacing(blank);
    }

    /** Closes it after what stays. */
    public Edit close() {
        if (isArrow) {
            int semicolon = code.tokens().code(code.tokens().at(body.end()));
            return new NewCode(code.file()).write(layout.lineEnd() + indent + "}").at(code.tokens().end(semicolon));
        }
        NewCode text = new NewCode(code.file()).write((tree instanceof StatementTree ? "" : ";") + layout.lineEnd()
                + indent + "}");
        return isBeforeElse ? text.write(" ").replacing(blankBehind()) : text.at(body.end());
    }

    /**
     * The block in place of all that stands there.
     *
     * @param content writes it
     */
    public Edit whole(Consumer<NewCode> content) {
        Range blank = blankBefore();
        NewCode text = new NewCode(code.file()).write(blank.length() > 0 ? " {" : "{").write(newLine());
        content.accept(text);
        text.write(layout.lineEnd() + indent + "}" + (isBeforeElse ? " " : ""));
        int end;
        if (isBeforeElse) {
            end = blankBehind().end();
        } else if (isArrow) {
            end = code.tokens().end(code.tokens().code(code.tokens().at(body.end())));
        } else {
            end = body.end();
        }
        return text.replacing(new Range(blank.start(), end));
    }

    private Range blankBefore() {
        Tokens tokens = code.tokens();
        int before = tokens.at(body.start()) - 1;
        boolean isBlank = before >= 0 && tokens.kind(before) == TokenKind.WHITE_SPACE;
        return new Range(isBlank ? tokens.start(before) : body.start(), body.start());
    }

    private Range blankBehind() {
        Tokens tokens = code.tokens();
        int token = tokens.at(body.end());
        boolean isBlank = token >= 0 && body.end() < tokens.content().length()
                && tokens.start(token) == body.end() && tokens.kind(token) == TokenKind.WHITE_SPACE;
        return isBlank ? tokens.range(token) : new Range(body.end(), body.end());
    }
}
