package dev.deftchisel.added;

import com.sun.source.tree.MethodTree;
import dev.deftchisel.source.outline.Insertion;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;

/**
 * Says which members the types of some annotations have beyond their text. Found by {@link java.util.ServiceLoader};
 * one for each annotation processor that is known. To be made once, and asked from one thread at a time.
 */
public interface AddedMembers {

    /** Whether the service says all that an annotation processor would add, so that this need not be run. */
    default boolean standsFor(Library processor) {
        return false;
    }

    /** Whether there may be such an annotation in a file; cheap, since it is asked for every file. */
    boolean concerns(SourceFile file);

    /** The members that a type gets, in any order. */
    List<Added> members(AnnotatedType type);

    /** Modifiers and the like that declarations in the type have beyond their text. */
    default List<Insertion> modifiers(AnnotatedType type) {
        return List.of();
    }

    /** Whether a method or constructor may throw what it does not declare. */
    default boolean mayThrowAnything(AnnotatedType type, MethodTree method) {
        return false;
    }
}
