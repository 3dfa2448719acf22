package dev.deftchisel.desk.picture;

/** What is behind characters. */
public enum Ground {
    NONE,
    /** The lines at the edges of the screen. */
    BAR,
    /** The line of the caret, the chosen row of a list. */
    HERE,
    SELECTED,
    /** Another caret than the one the terminal shows. */
    CARET,
    /** The symbol at the caret, where it is read. */
    USE,
    /** The same where it is written or declared. */
    WRITTEN
}
