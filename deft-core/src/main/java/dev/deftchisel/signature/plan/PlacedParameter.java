package dev.deftchisel.signature.plan;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import java.util.Optional;

/**
 * A parameter of a method or constructor at a place.
 *
 * @param header in which it is declared
 * @param path   its declaration
 * @param index  among the parameters
 */
public record PlacedParameter(DeclaredHeader header, TreePath path, int index) {

    /** The one that is declared or used at a place, in the file of its declaration; none of a record's header. */
    public static Optional<PlacedParameter> at(ResolvedPlace resolved) {
        Optional<AttributedFile> code = resolved.analysis().code(resolved.file().path());
        return resolved.declaration()
                .flatMap(declared -> code.flatMap(file -> file.declaration(declared.range())))
                .filter(path -> path.getLeaf() instanceof VariableTree
                        && path.getParentPath().getLeaf() instanceof MethodTree)
                .flatMap(path -> code.flatMap(file -> file.element(path.getParentPath())
                        .flatMap(element -> DeclaredHeader.of(resolved.analysis(), file.key(element)))
                        .filter(header -> !header.isOfRecord())
                        .map(header -> new PlacedParameter(header, path, ((MethodTree) path.getParentPath().getLeaf())
                                .getParameters().indexOf(path.getLeaf())))))
                .filter(one -> one.index() >= 0);
    }

    /** Its name. */
    public String name() {
        return header.header().at(header.header().parameters().get(index).name());
    }

    /** Where that is declared. */
    public Range range() {
        return header.place(header.header().parameters().get(index).name());
    }
}
