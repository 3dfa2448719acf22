package dev.deftchisel.desk.picture;

/** What characters are, which decides their colour. */
public enum Ink {
    PLAIN, QUIET, UNUSED,
    KEYWORD, LITERAL, NUMBER, COMMENT, TYPE, CALL, ANNOTATION,
    ERROR, WARNING, NOTE, HINT,
    KEY, PLACE, ADDED, REMOVED
}
