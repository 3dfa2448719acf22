package dev.deftchisel.move.access;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.move.moved.Moves;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;

/**
 * Has a sealed type name its subtypes where they no longer are all in its file: without that, those of the file are
 * permitted (JLS 8.1.6).
 */
public final class PermittedSubtypes {

    private final Moves moves;
    private final AttributedFile code;

    public PermittedSubtypes(Moves moves, AttributedFile code) {
        this.moves = moves;
        this.code = code;
    }

    /** The clauses that are needed. */
    public List<Edit> edits() {
        List<Edit> edits = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitClass(ClassTree tree, Void unused) {
                if (tree.getPermitsClause().isEmpty() && code.element(getCurrentPath())
                        .filter(type -> type instanceof TypeElement sealed && isParted(getCurrentPath(), sealed))
                        .isPresent()) {
                    edits.add(clause(tree, (TypeElement) code.element(getCurrentPath()).orElseThrow()));
                }
                return super.visitClass(tree, null);
            }
        }.scan(new TreePath(code.unit()), null);
        return edits;
    }

    /** Whether a type and one of its subtypes are in different files then. */
    private boolean isParted(TreePath path, TypeElement sealed) {
        Optional<MovedType> own = around(path.getLeaf());
        return !moves.isWhole(code.file().path()) && sealed.getPermittedSubclasses().stream()
                .anyMatch(below -> below instanceof DeclaredType type
                        && !moves.around(code.key(type.asElement())).equals(own));
    }

    private Optional<MovedType> around(Tree declaration) {
        return moves.types().stream().filter(type -> type.holds(code.file().path(), code.range(declaration)))
                .findFirst();
    }

    private Edit clause(ClassTree tree, TypeElement sealed) {
        String home = around(tree).map(own -> own.destination().packageName())
                .orElse(code.file().header().packageName());
        String names = sealed.getPermittedSubclasses().stream()
                .map(below -> name((TypeElement) ((DeclaredType) below).asElement(), home))
                .collect(Collectors.joining(", "));
        int header = Stream.of(Stream.of(code.name(tree)),
                        Stream.ofNullable(tree.getExtendsClause()).map(code::range),
                        tree.getImplementsClause().stream().map(code::range),
                        tree.getTypeParameters().stream().map(code::range))
                .flatMap(ranges -> ranges).mapToInt(Range::end).max().orElseThrow();
        Tokens tokens = code.tokens();
        int brace = tokens.at(header);
        while (!tokens.is(brace, '{')) {
            brace++;
        }
        int end = tokens.end(tokens.codeBefore(brace - 1));
        return Edit.of(new Range(end, end), " permits " + names, Edit.Kind.CODE);
    }

    /** In full, but for the package where that is the one of the clause. */
    private String name(TypeElement type, String home) {
        Optional<MovedType> own = moves.around(code.key(type));
        String today = type.getQualifiedName().toString();
        String name = own.map(moved -> moved.newName() + today.substring(moved.canonicalName().length())).orElse(today);
        boolean isNear = !home.isEmpty() && name.startsWith(home + ".")
                && !name.substring(home.length() + 1).matches("\\p{Ll}.*\\..*");
        return isNear ? name.substring(home.length() + 1) : name;
    }
}
