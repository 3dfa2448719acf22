package dev.deftchisel.gradle.script;

import java.util.List;

/** An expression in a build script, as far as it says something plainly. */
public sealed interface Value {

    /**
     * A literal: a string, a number, {@code true}.
     *
     * @param hasPlaceholders whether {@code $name} in it stands for the value of a variable
     */
    record Text(String text, boolean hasPlaceholders) implements Value {
    }

    /** A name with dots, for instance {@code libs.guava}. */
    record Reference(String name) implements Value {
    }

    /**
     * A call.
     *
     * @param name      with what it is called on; of a chain of calls all names, with the arguments of all
     * @param arguments in order
     * @param block     what is between the braces after it
     */
    record Call(String name, List<Argument> arguments, List<Statement> block) implements Value {
    }

    /** A list. */
    record Many(List<Value> values) implements Value {
    }

    /** Values joined by a plus sign. */
    record Joined(List<Value> values) implements Value {
    }

    /** What is computed in a way that is not understood. */
    record Computed() implements Value {
    }

    /** A value that is passed, with its name where it has one; otherwise the name is empty. */
    record Argument(String name, Value value) {
    }
}
