package dev.deftchisel.cli;

import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.cli.option.CommonOptions;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Tells a story with the real commands on a copy of the demo workspace. */
@Command(name = "demo", description = DemoCommand.WHAT)
final class DemoCommand implements Callable<Integer> {

    static final String WHAT = "Show what deft does, on a copy of a small harbour office.";

    private static final String CLEARANCE_FILE = "src/main/java/harbour/office/Clearance.java";
    private static final String CLEARANCE = """
            package harbour.office;

            import harbour.tides.Tide;

            /** Whether a vessel may leave. */
            public class Clearance {

                private boolean paid;
                private String pilot;

                public List<String> missing() {
                    List<String> missing = new ArrayList<String>();
                    if (paid == false) {
                        missing.add("dues");
                    }
                    if (pilot == null && pilot.isEmpty()) {
                        missing.add("pilot");
                    }
                    return mising;
                }

                public void settle(boolean paid) {
                    paid = paid;
                }
            }
            """;
    private static final String BOOKING_TEST = "src/test/java/harbour/berths/BookingTest.java";
    private static final String BOOKING = """
            package harbour.berths;

            import static org.junit.jupiter.api.Assertions.assertEquals;
            import static org.junit.jupiter.api.Assertions.assertTrue;

            import org.junit.jupiter.api.Test;

            class BookingTest {

                @Test
                void isForAVesselAndADay() {
                    String vessel = "Anna";
                    int day = 12;
                    Booking booking = new Booking(vessel, day);
                    assertTrue(booking.isDue(day));
                    assertEquals(BookingState.OPEN, booking.state());
                    assertEquals("Anna", booking.vessel());
                }
            }
            """;

    private final Console console;

    @Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    @Option(names = "--keep", paramLabel = "DIR", description = "only make the copy, in this folder, to try things on")
    private Path keep;

    @Option(names = "--color", paramLabel = "WHEN", description = "auto, always or never")
    private CommonOptions.When color = CommonOptions.When.auto;

    @Option(names = "--desk", description = "work on the copy yourself, on the keyboard screen")
    private boolean desk;

    private Palette palette;
    private Path copy;

    DemoCommand(Console console) {
        this.console = console;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path original = Path.of(System.getProperty("deft.home", "."), "deft-examples", "harbour");
        if (!Files.isDirectory(original)) {
            console.say("deft: the demo workspace is not at " + original + "; start deft by its launcher");
            return ExitCode.USAGE;
        }
        palette = new Palette(color == CommonOptions.When.always
                || color == CommonOptions.When.auto && console.isTerminal() && System.getenv("NO_COLOR") == null);
        if (keep != null) {
            if (Files.exists(keep)) {
                console.say("deft: " + keep + " exists already; name a new folder");
                return ExitCode.USAGE;
            }
            copy(original, keep);
            console.out().println("the harbour office is in " + keep);
            return ExitCode.DONE;
        }
        copy = Files.createTempDirectory("harbour-");
        try {
            copy(original, copy);
            return desk ? Deft.run(console, "desk", "harbour.berths.Berth#occupant", "--workspace", copy.toString())
                    : story();
        } finally {
            deleteAll(copy);
        }
    }

    private int story() throws IOException, InterruptedException {
        Map<String, String> before = contents();
        heading("A made-up harbour office, " + before.size()
                + " files. What can be done with the field Berth.occupant?");
        run("offers", "harbour.berths.Berth#occupant");
        run("uses", "harbour.berths.Berth#occupant");

        heading("Rename it to 'vessel'. A parameter of that name is in the way: the field is qualified, the meaning "
                + "stays.");
        run("rename", "harbour.berths.Berth#occupant", "vessel");

        heading("Rename Log.note(Object) to 'warn'? There is warn(String), and a call would go there instead. "
                + "Refused.");
        run("rename", "harbour.office.Log#note(Object)", "warn");

        heading("Extract an expression into a local variable. One is proposed, so none need be given.");
        run("extract-variable", "src/main/java/harbour/dues/TonnageTariff.java:16:16-16:35");

        heading("Inline a variable: its value takes the place of its name.");
        run("inline", "src/main/java/harbour/dues/TonnageTariff.java:14:14");

        heading("Extract statements into a method: what they need becomes parameters, what is needed after them is "
                + "returned.");
        run("extract-method", "src/main/java/harbour/office/HarbourOffice.java:36:9-38:27", "--name", "invoicesFor");

        heading("Two lines that read alike: both call the method, and what differs is passed.");
        run("extract-method", "src/main/java/harbour/office/HarbourOffice.java:30:9-30:60", "--name", "addBerth",
                "--duplicates", "replace");

        heading("How many days are charged? Extract a parameter: the callers pass it, in the tests as well.");
        run("extract-parameter", "src/main/java/harbour/office/HarbourOffice.java:37:75-37:76", "--name", "days");

        heading("Another header for a way to charge, as it is to be: what implements it and what calls it follows.");
        run("change-signature", "harbour.dues.Tariff#due(Vessel,int)", "--to",
                "Money due(int days, Vessel vessel, boolean isForeign = false)");

        heading("An entry of the tide table is used elsewhere? It gets a file of its own, with what it imports.");
        run("move-type", "harbour.tides.TideTable.Entry");

        heading("The amounts of money belong to the office. The file moves; package, imports and resources follow.");
        run("move-file", "src/main/java/harbour/dues/Money.java", "src/main/java/harbour/office");

        heading("Inline a method that says no more than its call.");
        run("inline", "harbour.dues.TonnageTariff#isDangerous");

        heading("A getter that only one report calls. Its field is private; on request it is opened as far as the "
                + "call needs it.");
        run("inline", "harbour.berths.Berth#number()", "--places", "keep", "--access", "open");

        heading("Berths with the same number and sizes are equal. What follows from the fields need not be typed.");
        run("generate-equality", "harbour.berths.Berth", "--members", "number,length,depth");
        run("generate-ordering", "harbour.berths.Berth", "--members", "depth,number", "--descending", "depth");

        testFirst();

        problems();

        heading("All of that by keys, on a full screen ('deft desk'). What can be done with the field? A new name, "
                + "and its preview.");
        new DeskScenes(console.with(palette)).play(copy, "harbour.berths.Berth#occupant",
                List.of("Tab", "Enter v e s s e l", "Enter Enter"));
        run("undo");

        heading("Rename a class, take every mention of it in text, but leave the comment in the board's layout alone.");
        run("rename", "harbour.reports.DayReport", "BerthReport", "--mentions", "all",
                "--omit", "src/main/resources/harbour/board.xml:3");

        heading("That is what we want. Apply it.");
        run("rename", "harbour.reports.DayReport", "BerthReport", "--mentions", "all",
                "--omit", "src/main/resources/harbour/board.xml:3", "--quiet", "--apply");
        run("history");
        boolean passed = tests();

        heading("And back.");
        run("undo");
        boolean same = before.equals(contents());
        console.out().println(same ? "Every file is what it was, byte for byte." : "FILES DIFFER from what they were.");
        heading("Now you: './deft demo --desk' opens the screen on a copy of the office that nobody will miss.");
        return passed && same ? ExitCode.DONE : ExitCode.REFUSED;
    }

    /** A test that is written before what it tests, and taken back again. */
    private void testFirst() throws IOException {
        heading("A test uses bookings, which nobody has written yet. Type, accessors, methods and constants follow "
                + "from the use.");
        Path test = copy.resolve(BOOKING_TEST);
        Files.writeString(test, BOOKING);
        console.out().println();
        BOOKING.lines().skip(BOOKING.lines().takeWhile(line -> !line.startsWith("class")).count())
                .forEach(line -> console.out().println(palette.quiet("  " + line)));
        run("declare-type", BOOKING_TEST + ":14:9", "--kind", "class");
        run("declare-all", BOOKING_TEST + ":14:9");
        Files.delete(test);

        heading("The depth of a berth is its draught, in the accessors and the constructor as well.");
        run("rename", "harbour.berths.Berth#depth", "draught", "--related", "all");
    }

    /** A draft with mistakes in it, mended one by one and then all at once, and taken back again. */
    private void problems() throws IOException {
        heading("A draft that does not compile, and would not do what it should. What is wrong with it?");
        Path draft = copy.resolve(CLEARANCE_FILE);
        Files.writeString(draft, CLEARANCE);
        run("problems", CLEARANCE_FILE, "--least", "hint", "--fail-at", "off");

        heading("The next one after line 9, and its first fix.");
        run("next", CLEARANCE_FILE + ":9:1");
        run("fix", CLEARANCE_FILE + ":11:12", "--apply");

        heading("And all the others in the file, as one change.");
        run("fix", CLEARANCE_FILE, "--rules", "error,suspicious,unused,redundant,idiom", "--apply");
        Files.readString(draft).lines().forEach(line -> console.out().println(palette.quiet("  " + line)));
        run("problems", CLEARANCE_FILE, "--least", "hint");
        run("undo", "--quiet");
        run("undo", "--quiet");
        Files.delete(draft);
    }

    private void heading(String text) {
        console.out().println();
        console.out().println(palette.strong(text));
    }

    private void run(String... arguments) {
        console.out().println();
        console.out().println(palette.key("$ deft " + Stream.of(arguments)
                .map(word -> word.matches("[\\w./:-]+") ? word : "'" + word + "'")
                .collect(Collectors.joining(" "))));
        List<String> all = new ArrayList<>(List.of(arguments));
        all.add("--workspace");
        all.add(copy.toString());
        all.add("--yes");
        all.add("--color");
        all.add(palette.isColored() ? "always" : "never");
        // what goes to standard error is part of the story
        Deft.run(new Console(console.in(), console.out(), console.out(), false, false, palette),
                all.toArray(String[]::new));
        console.out().flush();
    }

    /** Runs the harbour's own tests and says how many passed. */
    private boolean tests() throws IOException, InterruptedException {
        heading("Do the harbour's own tests still pass?");
        console.out().println();
        console.out().println(palette.key("$ mvn test"));
        console.out().flush();
        Path log = copy.resolve("target").resolve("demo-tests.log");
        Files.createDirectories(log.getParent());
        int code;
        try {
            code = new ProcessBuilder("mvn", "-q", "-B", "test").directory(copy.toFile())
                    .redirectErrorStream(true).redirectOutput(log.toFile()).start().waitFor();
        } catch (IOException absent) {
            console.out().println("mvn is not on the path, so the tests cannot be run here");
            return false;
        }
        if (code != 0) {
            Files.readAllLines(log).stream().limit(20).forEach(console.out()::println);
            console.out().println("The tests FAIL.");
            return false;
        }
        try (Stream<Path> reports = Files.list(copy.resolve("target/surefire-reports"))) {
            long classes = reports.filter(path -> path.toString().endsWith(".xml")).count();
            console.out().println("They pass: " + classes + " test classes, no failure.");
        }
        deleteAll(copy.resolve("target"));
        return true;
    }

    private Map<String, String> contents() throws IOException {
        Map<String, String> contents = new TreeMap<>();
        try (Stream<Path> files = Files.walk(copy)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                String name = copy.relativize(file).toString();
                if (!name.startsWith(".deft")) {
                    contents.put(name, Files.readString(file, StandardCharsets.ISO_8859_1));
                }
            }
        }
        return contents;
    }

    private static void copy(Path from, Path to) throws IOException {
        try (Stream<Path> files = Files.walk(from)) {
            for (Path file : files.toList()) {
                Path relative = from.relativize(file);
                if (relative.startsWith("target") || relative.startsWith(".deft")) {
                    continue;
                }
                Path target = to.resolve(relative);
                if (Files.isDirectory(file)) {
                    Files.createDirectories(target);
                } else {
                    Files.copy(file, target);
                }
            }
        }
    }

    private static void deleteAll(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
