package dev.deftchisel.desk.key;

/** In front of what a key is pressed, since it does different things there. */
public enum KeyContext {
    CODE("in the code"),
    LIST("in a list that is narrowed by typing"),
    TAKE("in front of a change: its answers and its preview");

    private final String words;

    KeyContext(String words) {
        this.words = words;
    }

    /** For instance "in the code". */
    public String words() {
        return words;
    }
}
