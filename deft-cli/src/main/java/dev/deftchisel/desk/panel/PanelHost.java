package dev.deftchisel.desk.panel;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/** What panels may ask of the desk they are on. */
public interface PanelHost {

    /**
     * Has something looked up in the code as it stands on the desk, elsewhere, and goes on here with what comes of it.
     * When it fails, that is told and nothing goes on.
     */
    <T> void ask(TaskPurpose lane, Function<Chisel, T> work, Consumer<T> then);

    /** Tells the user something, in one line. */
    void say(String message);

    /** Puts a panel on top. */
    void open(Panel panel);

    /** Takes the top panel away. */
    void close();

    /** Goes somewhere, and knows the way back. */
    void go(Path file, Range selection);

    /** Where the caret is, with what is selected. */
    Place place();

    /** The text of the file with the caret when calls and overrides agreed with its headers last. */
    String agreed();

    /**
     * Makes a change, and takes all panels away.
     *
     * @param operation by which it came, to be taken again elsewhere
     */
    void apply(Outcome.Preview preview, Optional<String> operation);

    /** A path as it is shown. */
    String shown(Path path);
}
