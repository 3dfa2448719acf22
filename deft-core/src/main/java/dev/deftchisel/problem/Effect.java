package dev.deftchisel.problem;

/** What a rule's first fix does to the program. */
public enum Effect {
    /** The class files are the same, but for line numbers. */
    SAME_CLASSES("the compiled classes stay the same"),
    /** The program does the same in another way. */
    SAME_BEHAVIOUR("the program does what it did"),
    /** The program does something else, namely what was probably meant. */
    OTHER("the program does something else than before");

    private final String words;

    Effect(String words) {
        this.words = words;
    }

    /** For people. */
    public String words() {
        return words;
    }
}
