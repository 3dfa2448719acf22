package dev.deftchisel.desk.panel;

import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.picture.Pen;
import java.util.List;
import java.util.Optional;

/** Something that stands beside the code and gets the keys while it does. */
public interface Panel {

    /** Which keys it knows. */
    KeyContext where();

    /** What it is, in a few words. */
    String title();

    /** Does what a key says; what it does not know is not done. */
    void take(Command command);

    /** Takes text that was typed or pasted. */
    void type(String text);

    /** Draws itself. */
    void draw(Pen pen);

    /** More about what is chosen in it now, when there is not room enough for all of it where it stands. */
    default Optional<String> about() {
        return Optional.empty();
    }

    /** What keys do just now, most needed first. */
    List<Hint> hints();

    /**
     * What a key does now.
     *
     * @param command which
     * @param words   what it does, in one to three words
     */
    record Hint(Command command, String words) {
    }
}
