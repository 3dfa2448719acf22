package dev.deftchisel.move.moved;

import com.sun.source.tree.ClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Optional;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.TypeElement;

/**
 * A type that moves, as it is declared today.
 *
 * @param code    the file
 * @param path    of its declaration
 * @param element the type
 * @param key     its identity
 * @param range   of its declaration with the comments that are about it
 * @param destination where it goes
 */
public record MovedType(AttributedFile code, TreePath path, TypeElement element, SymbolKey.Type key, Range range,
        Destination destination) {

    /** The type in an analysis of its file; empty when it has no declaration there that could be cut out. */
    public static Optional<MovedType> of(Analysis before, SymbolKey.Type key, Destination destination) {
        return before.declaration(key).flatMap(declared -> before.code(declared.file())
                .flatMap(code -> code.declaration(declared.range())
                        .filter(path -> path.getLeaf() instanceof ClassTree && code.element(path)
                                .filter(TypeElement.class::isInstance).isPresent())
                        .map(path -> new MovedType(code, path, (TypeElement) code.element(path).orElseThrow(), key,
                                Layout.withComments(code.file(), code.range(path.getLeaf())), destination))));
    }

    public ClassTree tree() {
        return (ClassTree) path.getLeaf();
    }

    public SourceFile file() {
        return code.file();
    }

    public String name() {
        return element.getSimpleName().toString();
    }

    /** Its name as code writes it in full (JLS 6.7). */
    public String canonicalName() {
        return element.getQualifiedName().toString();
    }

    public String packageName() {
        return file().header().packageName();
    }

    public boolean isTopLevel() {
        return element.getNestingKind() == NestingKind.TOP_LEVEL;
    }

    /** Whether nothing else is declared in its file. */
    public boolean isAlone() {
        return isTopLevel() && code.unit().getTypeDecls().stream().filter(ClassTree.class::isInstance).count() == 1;
    }

    /** Its name then as code writes it in full. */
    public String newName() {
        String home = destination instanceof Destination.Member member ? member.canonicalName()
                : destination.packageName();
        return home.isEmpty() ? name() : home + "." + name();
    }

    /** Whether a place lies in its text. */
    public boolean holds(Path where, Range place) {
        return where.equals(file().path()) && range.encloses(place);
    }

    /** Whether a type is this one, or declared in it. */
    public boolean holds(SymbolKey other) {
        return other instanceof SymbolKey.Type type && (type.equals(key)
                || type.binaryName().startsWith(key.binaryName() + "$"));
    }
}
