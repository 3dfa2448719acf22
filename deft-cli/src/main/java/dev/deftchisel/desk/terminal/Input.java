package dev.deftchisel.desk.terminal;

import dev.deftchisel.desk.key.Key;

/** What comes from a terminal. */
sealed interface Input {

    /** A key was pressed. */
    record Pressed(Key key) implements Input {
    }

    /** Text came in one piece. */
    record Pasted(String text) implements Input {
    }

    /** Something that is no key of ours, such as a report or a key with a modifier nobody has. */
    record Other() implements Input {
    }

    /** The terminal is gone. */
    record Ended() implements Input {
    }
}
