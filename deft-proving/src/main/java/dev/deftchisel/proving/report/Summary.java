package dev.deftchisel.proving.report;

import dev.deftchisel.proving.trial.Verdict;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;

/**
 * Verdicts counted.
 *
 * @param verdicts in the order in which they fell
 */
public record Summary(List<Verdict> verdicts) {

    /** What reasons are counted under, by words in them; the first that fits counts. */
    private static final List<Map.Entry<String, String>> REASONS = List.of(
            Map.entry("not taken back", "the variable is not inlined back"),
            Map.entry("evaluated only if", "it is evaluated only under a condition"),
            Map.entry("in each round of the loop", "it is evaluated again and again in a loop"),
            Map.entry("used again here", "its value would be evaluated several times"),
            Map.entry("assigned again", "the variable is assigned again"),
            Map.entry("order can matter", "the order of evaluation would change"),
            Map.entry("declared in a library", "belongs to a library"),
            Map.entry("would mean", "a name would mean something else"),
            Map.entry("would no longer be found", "a name would not be found"),
            Map.entry("would override", "overriding would change"),
            Map.entry("would no longer override", "overriding would change"),
            Map.entry("would clash", "methods would clash"),
            Map.entry("be one method", "methods would clash"),
            Map.entry("the compiler would say", "would not compile"),
            Map.entry("exists already", "the file exists"),
            Map.entry("when objects are serialized", "serialization looks it up"));

    /** Copies the list. */
    public Summary {
        verdicts = List.copyOf(verdicts);
    }

    /**
     * One line of the table.
     *
     * @param name what is counted: a kind of symbol or code, or "all"
     */
    public record Row(String name, int tried, int applied, int refused, int failed) {
    }

    /** One row for each kind of symbol, and one for all. */
    public List<Row> rows() {
        List<Row> rows = verdicts.stream()
                .collect(Collectors.groupingBy(verdict -> verdict.subject().group(), TreeMap::new, Collectors.toList()))
                .entrySet().stream()
                .map(entry -> row(entry.getKey(), entry.getValue()))
                .collect(Collectors.toList());
        rows.add(row("all", verdicts));
        return rows;
    }

    /** One row for each corpus. */
    public List<Row> byCorpus() {
        return verdicts.stream()
                .collect(Collectors.groupingBy(Verdict::corpus, LinkedHashMap::new, Collectors.toList()))
                .entrySet().stream()
                .map(entry -> row(entry.getKey(), entry.getValue()))
                .toList();
    }

    private static Row row(String name, List<Verdict> of) {
        return new Row(name, of.size(), count(of, Verdict.Result.APPLIED), count(of, Verdict.Result.REFUSED),
                count(of, Verdict.Result.FAILED));
    }

    private static int count(List<Verdict> of, Verdict.Result result) {
        return (int) of.stream().filter(verdict -> verdict.result() == result).count();
    }

    /** How often each kind of reason refused, most frequent first. */
    public Map<String, Long> refusals() {
        return counted(verdict -> verdict.result() == Verdict.Result.REFUSED ? reason(verdict.why()) : "");
    }

    /** How often each oracle failed, most frequent first. */
    public Map<String, Long> failures() {
        return counted(verdict -> verdict.oracle().orElse(""));
    }

    private Map<String, Long> counted(Function<Verdict, String> group) {
        Map<String, Long> counts = verdicts.stream()
                .map(group)
                .filter(name -> !name.isEmpty())
                .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
        return counts.entrySet().stream()
                .sorted(Map.Entry.<String, Long>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(Map.Entry.comparingByKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, LinkedHashMap::new));
    }

    /** A reason without the names in it. */
    private static String reason(String why) {
        return REASONS.stream()
                .filter(entry -> why.contains(entry.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse("other");
    }

    /**
     * A percentile of times, in milliseconds; 0 when there are none.
     *
     * @param share for instance 0.9
     */
    public long percentile(ToLongFunction<Verdict> time, double share) {
        long[] sorted = verdicts.stream().mapToLong(time).sorted().toArray();
        return sorted.length == 0 ? 0
                : sorted[(int) Math.min(sorted.length - 1, Math.round(share * (sorted.length - 1)))];
    }

    /** How many offers took longer than this. */
    public long offersOver(long millis) {
        return verdicts.stream().filter(verdict -> verdict.offerMillis() > millis).count();
    }
}
