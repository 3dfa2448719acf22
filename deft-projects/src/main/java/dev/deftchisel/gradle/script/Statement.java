package dev.deftchisel.gradle.script;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * One statement of a build script: a call with a block or without, or an assignment.
 *
 * @param kind      what it does
 * @param name      what is called or assigned, with dots; for {@link Kind#UNREAD} its first word
 * @param arguments of the call, or the one value that is assigned
 * @param block     the statements between the braces after it
 * @param line      where it begins, from 1
 */
public record Statement(Kind kind, String name, List<Value.Argument> arguments, List<Statement> block, int line) {

    /** What statements do. */
    public enum Kind {
        /** Calls something, or opens a block. */
        CALL,
        /** Gives a variable or property its value. */
        ASSIGN,
        /** Adds to a property. */
        ADD,
        /** Depends on something that is computed: a condition, a loop, a function. */
        UNREAD
    }

    /** Copies the lists. */
    public Statement {
        arguments = List.copyOf(arguments);
        block = List.copyOf(block);
    }

    /** Whether the statement, or one in its block, or in theirs, is of some sort. */
    public boolean anywhere(Predicate<Statement> sort) {
        return sort.test(this) || block.stream().anyMatch(inside -> inside.anywhere(sort));
    }

    /** The first unnamed argument. */
    public Optional<Value> first() {
        return arguments.stream().filter(argument -> argument.name().isEmpty()).map(Value.Argument::value).findFirst();
    }

    /** The value of a named argument. */
    public Optional<Value> named(String wanted) {
        return arguments.stream().filter(argument -> argument.name().equals(wanted)).map(Value.Argument::value)
                .findFirst();
    }
}
