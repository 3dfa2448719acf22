package dev.deftchisel.proving.report;

import dev.deftchisel.proving.trial.Verdict;
import java.awt.Color;
import java.awt.Font;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.ToLongFunction;
import org.knowm.xchart.BitmapEncoder;
import org.knowm.xchart.CategoryChart;
import org.knowm.xchart.CategoryChartBuilder;

/** Draws what a summary says. */
final class Charts {

    private static final long[] STEPS = {25, 50, 100, 200, 400, 800, 1600, 3200, 6400};
    private static final Color SEA = new Color(0x1F, 0x5F, 0x7A);

    private Charts() {
    }

    /** How many trials took how long, as a PNG. */
    static byte[] times(String title, Summary summary, ToLongFunction<Verdict> time) {
        List<String> labels = new ArrayList<>();
        List<Long> counts = new ArrayList<>();
        long from = 0;
        for (long to : STEPS) {
            long low = from;
            labels.add("to " + to);
            counts.add(summary.verdicts().stream().mapToLong(time).filter(value -> value > low && value <= to
                    || low == 0 && value == 0).count());
            from = to;
        }
        long last = from;
        labels.add("over " + last);
        counts.add(summary.verdicts().stream().mapToLong(time).filter(value -> value > last).count());
        return bars(title, "milliseconds", labels, counts);
    }

    /** How often each reason refused, as a PNG. */
    static byte[] reasons(String title, Map<String, Long> counts) {
        return bars(title, "", List.copyOf(counts.keySet()), List.copyOf(counts.values()));
    }

    private static byte[] bars(String title, String axis, List<String> labels, List<Long> counts) {
        CategoryChart chart = new CategoryChartBuilder().width(820).height(250).title(title)
                .xAxisTitle(axis).yAxisTitle("trials").build();
        chart.getStyler().setLegendVisible(false);
        chart.getStyler().setLabelsVisible(true);
        chart.getStyler().setChartBackgroundColor(Color.WHITE);
        chart.getStyler().setPlotBorderVisible(false);
        chart.getStyler().setChartTitleFont(new Font(Font.SANS_SERIF, Font.PLAIN, 14));
        chart.getStyler().setAvailableSpaceFill(0.7);
        chart.getStyler().setXAxisLabelRotation(labels.stream().anyMatch(label -> label.length() > 12) ? 15 : 0);
        chart.getStyler().setSeriesColors(new Color[] {SEA});
        chart.addSeries(title, labels, counts);
        try {
            return BitmapEncoder.getBitmapBytes(chart, BitmapEncoder.BitmapFormat.PNG);
        } catch (IOException impossible) {
            throw new UncheckedIOException("a picture is drawn in memory", impossible);
        }
    }
}
