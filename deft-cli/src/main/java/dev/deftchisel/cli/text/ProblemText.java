package dev.deftchisel.cli.text;

import dev.deftchisel.Chisel;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Says in lines what is wrong: the place, the code with what it is about marked, the rule and what would mend it. */
public final class ProblemText {

    private static final int WIDEST = 160;
    private static final int LONG = 118;
    private static final String INDENT = "        ";

    private final Chisel chisel;
    private final Palette palette;

    public ProblemText(Chisel chisel, Palette palette) {
        this.chisel = chisel;
        this.palette = palette;
    }

    /** One problem. */
    public List<String> lines(Problem problem) {
        List<String> lines = new ArrayList<>();
        lines.add(palette.place(chisel.workspace().show(problem.file()) + ":" + problem.position()) + "  "
                + weight(problem.severity()) + "  " + problem.sentence());
        lines.add(palette.quiet("%6d  ".formatted(problem.position().line())) + code(problem));
        lines.addAll(fixes(problem));
        return lines;
    }

    /** The rule with what would mend it, broken between fixes where a line gets long. */
    private List<String> fixes(Problem problem) {
        List<String> lines = new ArrayList<>();
        List<String> fixes = problem.fixes();
        String label;
        if (fixes.isEmpty()) {
            label = "";
        } else if (fixes.size() == 1) {
            label = "  fix: ";
        } else {
            label = "  fixes: ";
        }
        StringBuilder line = new StringBuilder(INDENT + palette.quiet(problem.rule() + label));
        int length = INDENT.length() + problem.rule().length() + label.length();
        for (int i = 0; i < fixes.size(); i++) {
            if (i > 0 && length + fixes.get(i).length() > LONG) {
                lines.add(line.toString());
                line = new StringBuilder(INDENT + palette.quiet("| "));
                length = INDENT.length();
            } else if (i > 0) {
                line.append(palette.quiet(" | "));
            }
            line.append(fixes.get(i));
            length += fixes.get(i).length() + 3;
        }
        lines.add(line.toString());
        return lines;
    }

    private String weight(Severity severity) {
        return switch (severity) {
            case ERROR -> palette.error(severity.word());
            case WARNING -> palette.refusal(severity.word());
            default -> palette.quiet(severity.word());
        };
    }

    /** The line, with the part it is about marked: underlined in colour, between angle marks without. */
    private String code(Problem problem) {
        SourceFile file = chisel.snapshot().source(problem.file());
        Range line = file.lines().rangeOf(problem.position().line());
        String text = file.lines().text(problem.position().line());
        int start = Math.min(problem.range().start() - line.start(), text.length());
        int end = Math.max(start, Math.min(problem.range().end() - line.start(), text.length()));
        int indent = text.length() - text.stripLeading().length();
        String before = text.substring(Math.min(indent, start), start);
        String part = text.substring(start, end);
        String behind = text.substring(end);
        boolean isLong = before.length() + part.length() + behind.length() > WIDEST;
        String shown = isLong ? cut(part, WIDEST) : part;
        String rest = isLong ? cut(behind, Math.max(0, WIDEST - before.length() - shown.length())) : behind;
        return (before + palette.marked(shown) + rest).replace("\t", "    ");
    }

    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, Math.max(0, most - 3)) + "...";
    }

    /** How many there are, by severity and by rule; those that were not shown are counted too. */
    public List<String> summary(List<Problem> shown, long quieter, Severity least) {
        List<String> lines = new ArrayList<>();
        Map<Severity, Long> bySeverity = shown.stream()
                .collect(Collectors.groupingBy(Problem::severity, () -> new EnumMap<>(Severity.class),
                        Collectors.counting()));
        long files = shown.stream().map(Problem::file).distinct().count();
        String weights = bySeverity.entrySet().stream()
                .sorted(Map.Entry.<Severity, Long>comparingByKey().reversed())
                .map(entry -> count(entry.getValue(), entry.getKey().word()))
                .collect(Collectors.joining(", "));
        lines.add(shown.isEmpty() ? palette.strong("nothing to report") : palette.strong(count(shown.size(), "problem"))
                + " in "
                + count(files, "file") + ": " + weights);
        Map<String, Long> byRule = shown.stream()
                .collect(Collectors.groupingBy(Problem::rule, TreeMap::new, Collectors.counting()));
        byRule.entrySet().stream()
                .sorted(Map.Entry.<String, Long>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(Map.Entry.comparingByKey()))
                .forEach(entry -> lines.add("%6d  %s".formatted(entry.getValue(), entry.getKey())));
        if (quieter > 0) {
            lines.add(palette.quiet("and " + count(quieter, "quieter one") + " (--least " + quieterThan(least)
                    + " shows more)"));
        }
        return lines;
    }

    private static String quieterThan(Severity least) {
        return Severity.values()[Math.max(1, least.ordinal() - 1)].word();
    }

    public static String count(long number, String what) {
        return number + " " + what + (number == 1 ? "" : "s");
    }
}
