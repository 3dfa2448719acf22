package dev.deftchisel.guard.comparison;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Finds code that gives a variable of a body its value, and is carried into another body: there it gives the value to
 * another variable. Where the first one is read afterwards, what stands in the place of the code must give it the value
 * instead.
 */
public final class LostWrites {

    private final Analysis before;
    private final Analysis after;
    private final Change change;

    public LostWrites(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
    }

    public List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        for (FileChange file : change.effective()) {
            for (Edit edit : file.takenEdits()) {
                for (MovedCode piece : edit.carried()) {
                    before.code(piece.file()).ifPresent(code -> lost(file.path(), edit, piece, code)
                            .ifPresent(differences::add));
                }
            }
        }
        return differences;
    }

    private Optional<Difference> lost(Path target, Edit edit, MovedCode piece, AttributedFile code) {
        Optional<TreePath> member = member(code, piece.from());
        boolean isSameBody = member.filter(found -> target.equals(piece.file())
                && code.range(found.getLeaf()).encloses(edit.range())
                && edit.range().end() < code.range(found.getLeaf()).end()).isPresent();
        if (member.isEmpty() || isSameBody) {
            return Optional.empty();
        }
        List<Occurrence> all = code.occurrences(member.get());
        return all.stream()
                .filter(one -> one.isWritten() && piece.from().contains(one.offset()))
                .filter(one -> isGone(one, piece.file(), code) && isDeclaredOutside(one, all, edit, piece.file()))
                .filter(one -> !isWrittenInstead(one, piece.file(), code))
                .flatMap(one -> reader(one, all, piece, code, member.get()).stream()
                        .map(line -> new Difference(Difference.Kind.UNPROVEN, piece.file(),
                                code.range(one.path().getLeaf()),
                                Optional.empty(), Optional.empty(), "'" + one.variable().getSimpleName()
                                + "' gets a value here that is needed " + line + " and would be lost")))
                .findFirst();
    }

    private static Optional<TreePath> member(AttributedFile code, Range range) {
        return code.around(range).stream()
                .filter(path -> path.getParentPath() != null && path.getParentPath().getLeaf() instanceof ClassTree)
                .filter(path -> path.getLeaf() instanceof MethodTree || path.getLeaf() instanceof BlockTree
                        || path.getLeaf() instanceof VariableTree)
                .reduce((inner, outer) -> outer);
    }

    private static boolean isDeclaredOutside(Occurrence one, List<Occurrence> all, Edit edit, Path file) {
        return all.stream().filter(other -> other.variable().equals(one.variable())
                && other.access() == Occurrence.Access.DECLARED)
                .noneMatch(other -> isCarried(other.offset(), edit, file));
    }

    private boolean isGone(Occurrence one, Path file, AttributedFile code) {
        return change.mapping().isReplaced(file, code.range(one.path().getLeaf()));
    }

    private static boolean isCarried(int offset, Edit edit, Path file) {
        return edit.carried().stream().anyMatch(piece -> piece.file().equals(file) && piece.from().contains(offset));
    }

    /** Whether what is written in the place of the code gives the variable a value. */
    private boolean isWrittenInstead(Occurrence one, Path file, AttributedFile code) {
        SymbolKey key = change.mapping().key(code.key(one.variable()));
        Path now = change.mapping().file(file);
        return change.effective().stream().filter(changed -> changed.path().equals(file))
                .flatMap(changed -> changed.takenEdits().stream())
                .filter(edit -> edit.range().contains(one.offset()))
                .map(edit -> change.mapping().written(file, edit))
                .anyMatch(written -> after.bindings(now).stream().anyMatch(binding -> written.encloses(binding.range())
                        && binding.key().equals(key) && (binding.role() == Role.WRITE
                                || binding.role() == Role.DECLARATION)));
    }

    /** In words, where the value is read by code that stays behind; empty when nowhere. */
    private Optional<String> reader(Occurrence one, List<Occurrence> all, MovedCode piece, AttributedFile code,
            TreePath member) {
        boolean isImplied = all.stream().noneMatch(other -> other.variable().equals(one.variable())
                && other.access() == Occurrence.Access.DECLARED)
                && code.element(member).filter(one.variable().getEnclosingElement()::equals).isPresent();
        if (isImplied) {
            return Optional.of("by the field (JLS 8.10.4.2)");
        }
        Optional<Range> loop = loop(one, all, piece, code);
        return all.stream()
                .filter(other -> other.variable().equals(one.variable()) && other.isRead())
                .filter(other -> other.offset() >= piece.from().end()
                        || loop.filter(range -> range.contains(other.offset())).isPresent())
                .filter(other -> !isGone(other, piece.file(), code))
                .findFirst()
                .map(other -> "in line " + code.file().position(other.offset()).line());
    }

    /** The widest loop around the code from one round of which to the next the variable keeps its value. */
    private static Optional<Range> loop(Occurrence one, List<Occurrence> all, MovedCode piece, AttributedFile code) {
        int declared = all.stream().filter(other -> other.variable().equals(one.variable())
                && other.access() == Occurrence.Access.DECLARED).mapToInt(Occurrence::offset).findFirst().orElse(0);
        return code.around(piece.from()).stream()
                .map(TreePath::getLeaf)
                .filter(Jumps::isLoop)
                .filter(tree -> !code.range(tree).contains(declared) || isInHeader(tree, declared, code))
                .map(code::range)
                .reduce((inner, outer) -> outer);
    }

    private static boolean isInHeader(Tree loop, int declared, AttributedFile code) {
        return loop instanceof ForLoopTree header && header.getInitializer().stream()
                .anyMatch(statement -> code.find(statement).filter(range -> range.contains(declared)).isPresent());
    }
}
