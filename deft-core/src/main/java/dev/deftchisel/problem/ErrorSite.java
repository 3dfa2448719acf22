package dev.deftchisel.problem;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;

/**
 * Where an error is.
 *
 * @param error    it
 * @param context   of its file
 * @param analysis in which the file is attributed as a whole
 * @param around   the trees around what the compiler points at, innermost first
 */
public record ErrorSite(CompilerError error, RuleContext context, Analysis analysis, List<TreePath> around) {

    /** Copies the list. */
    public ErrorSite {
        around = List.copyOf(around);
    }

    public static ErrorSite of(CompilerError error, RuleContext context, Analysis analysis) {
        return new ErrorSite(error, context, analysis, around(error.range().start(), context.code()));
    }

    /** The trees around the character that the compiler points at; at the end of the text around the place. */
    private static List<TreePath> around(int at, AttributedFile code) {
        List<TreePath> found = at < code.file().content().length() ? code.around(new Range(at, at + 1)) : List.of();
        return found.isEmpty() ? code.around(new Range(at, at)) : found;
    }

    /** That of another error of the same file. */
    public ErrorSite at(CompilerError other) {
        return of(other, context, analysis);
    }

    /** The compiler's code of the error, without what all errors have before it. */
    public String id() {
        return id(error);
    }

    public static String id(CompilerError error) {
        return error.code().replaceFirst("^compiler\\.err\\.", "");
    }

    /** The file. */
    public AttributedFile code() {
        return context.code();
    }

    /** Where the file declares what a name in it means. */
    public Optional<TreePath> declaration(TreePath name) {
        return code().element(name).flatMap(context.names()::declaration);
    }

    /** The innermost tree of a kind. */
    public <T extends Tree> Optional<TreePath> nearest(Class<T> kind) {
        return around.stream().filter(path -> kind.isInstance(path.getLeaf())).findFirst();
    }

    /** The expression or statement that the compiler complains about: what covers just the range it gives. */
    public Optional<TreePath> exact() {
        return around.stream().filter(path -> code().find(path.getLeaf()).filter(error.whole()::equals).isPresent())
                .findFirst();
    }
}
