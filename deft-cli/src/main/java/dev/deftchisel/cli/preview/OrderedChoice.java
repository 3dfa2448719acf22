package dev.deftchisel.cli.preview;

import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.Keyboard;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Lets the user choose some of several, in an order: they are listed with numbers, and the numbers are typed. */
public final class OrderedChoice {

    private final Console console;

    public OrderedChoice(Console console) {
        this.console = console;
    }

    /** What is written with commas on the command line. */
    public static List<String> list(String text) {
        return Arrays.stream(text.split(",")).map(String::strip).filter(name -> !name.isEmpty()).toList();
    }

    /**
     * Asks.
     *
     * @param now what is chosen already
     */
    public List<String> ask(Keyboard keyboard, Question.Members members, List<String> now) {
        List<String> candidates = members.candidates();
        console.out().println(members.label() + ":");
        for (int i = 0; i < candidates.size(); i++) {
            boolean isChosen = now.contains(candidates.get(i));
            console.out().println(console.palette().key("%3d ".formatted(i + 1)) + (isChosen ? "[x] " : "[ ] ")
                    + candidates.get(i));
        }
        String numbers = String.join(" ", now.stream().map(name -> String.valueOf(candidates.indexOf(name) + 1))
                .toList());
        String given = keyboard.line("which, in order; 0 for none", numbers);
        List<String> chosen = new ArrayList<>();
        for (String word : given.strip().split("[\\s,]+")) {
            boolean isNumber = word.matches("\\d{1,4}") && Integer.parseInt(word) >= 1
                    && Integer.parseInt(word) <= candidates.size();
            String name = isNumber ? candidates.get(Integer.parseInt(word) - 1) : word;
            // a name that is not there is told by the operation, with those that are
            if (!name.equals("0") && !name.isEmpty() && !chosen.contains(name)) {
                chosen.add(name);
            }
        }
        return given.isBlank() ? now : List.copyOf(chosen);
    }
}
