package dev.deftchisel.external;

import java.util.List;

/**
 * Says by which names a declaration is known outside of the program, so that a rename can keep them or at least say so.
 * Found by {@link java.util.ServiceLoader}; all of them are asked.
 */
public interface ExternalNames {

    /**
     * The names that follow from a declaration's own and would change with it.
     *
     * @param declared a type, member or parameter of the code
     * @return none for a declaration whose outside name is written beside it already
     */
    List<ExternalName> of(NamedElement declared);
}
