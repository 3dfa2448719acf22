package dev.deftchisel.cli.console;

import java.util.Map;

/**
 * The first page of help. Written out here rather than by the argument parser, since setting that up takes longer than
 * everything else that a call for help needs; the page of each command is the parser's.
 */
public final class HelpPage {

    private static final String HEAD = """
            usage: deft COMMAND [PLACE] [OPTIONS]

            Changes Java code without changing what it means.

            """;

    private static final String FOOT = """

            'deft COMMAND --help' shows the options of a command, 'deft --version' the version.

            A PLACE is path:line:column, a range path:line:column-line:column, or a symbol
            as in Javadoc: harbour.Berth#moor(Vessel).
            Without --apply nothing is written: the change is printed as a unified diff.
            Exit codes: 0 done, 1 refused, 2 not understood.
            """;

    private HelpPage() {
    }

    /** @param commands what each command does, by its name */
    public static String of(Map<String, String> commands) {
        int width = commands.keySet().stream().mapToInt(String::length).max().orElse(0);
        StringBuilder page = new StringBuilder(HEAD);
        commands.forEach((name, what) ->
                page.append("  ").append(name).append(" ".repeat(width - name.length() + 2)).append(what).append('\n'));
        return page.append(FOOT).toString();
    }
}
