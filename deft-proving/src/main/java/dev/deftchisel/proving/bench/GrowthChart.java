package dev.deftchisel.proving.bench;

import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.knowm.xchart.BitmapEncoder;
import org.knowm.xchart.XYChart;
import org.knowm.xchart.XYChartBuilder;
import org.knowm.xchart.XYSeries;
import org.knowm.xchart.style.Styler;
import org.knowm.xchart.style.markers.SeriesMarkers;
import org.openjdk.jmh.results.RunResult;

/**
 * Median times by the size of the code, on logarithmic axes: a straight line that climbs one decade in one is time in
 * proportion to the code.
 *
 * @param times milliseconds by benchmark and number of copies; 0 copies for what does not grow
 */
public record GrowthChart(Map<String, Map<Integer, Double>> times) {

    private static final String REFERENCE = "javac";

    /** Reads the medians off the results of the harness. */
    public static GrowthChart of(Collection<RunResult> results) {
        Map<String, Map<Integer, Double>> times = new TreeMap<>();
        for (RunResult result : results) {
            String name = result.getParams().getBenchmark();
            String copies = result.getParams().getParam("copies");
            times.computeIfAbsent(name.substring(name.lastIndexOf('.') + 1), key -> new TreeMap<>())
                    .put(copies == null ? 0 : Integer.parseInt(copies),
                            result.getPrimaryResult().getStatistics().getPercentile(50));
        }
        return new GrowthChart(times);
    }

    /** Draws the picture. */
    public void write(Path file) throws IOException {
        XYChart chart = new XYChartBuilder().width(1000).height(620).title("Time by size of the code")
                .xAxisTitle("times the code").yAxisTitle("milliseconds, median").build();
        chart.getStyler().setXAxisLogarithmic(true);
        chart.getStyler().setYAxisLogarithmic(true);
        chart.getStyler().setYAxisDecimalPattern("#,##0");
        chart.getStyler().setChartBackgroundColor(Color.WHITE);
        chart.getStyler().setLegendPosition(Styler.LegendPosition.OutsideE);
        times.forEach((name, bySize) -> {
            if (!bySize.containsKey(0)) {
                XYSeries series = chart.addSeries(name, List.copyOf(bySize.keySet()), List.copyOf(bySize.values()));
                series.setMarker(SeriesMarkers.CIRCLE);
            }
        });
        BitmapEncoder.saveBitmap(chart, file.toString(), BitmapEncoder.BitmapFormat.PNG);
    }

    /** The times as a table in Markdown, each with its ratio to the compiler. */
    public String table() {
        StringBuilder table = new StringBuilder("| what | size | median | of javac |\n|---|---|---|---|\n");
        times.forEach((name, bySize) -> bySize.forEach((copies, millis) -> {
            Double reference = times.getOrDefault(REFERENCE, Map.of()).get(copies);
            table.append("| %s | %s | %.0f ms | %s |%n".formatted(name, copies == 0 ? "" : copies + "×", millis,
                    reference == null ? "" : "1/%.1f".formatted(reference / millis)));
        }));
        return table.toString();
    }
}
