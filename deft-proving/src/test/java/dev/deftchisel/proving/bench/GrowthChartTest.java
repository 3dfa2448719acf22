package dev.deftchisel.proving.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class GrowthChartTest {

    private final GrowthChart chart = new GrowthChart(new TreeMap<>(Map.of(
            "javac", Map.of(1, 1000.0, 4, 4000.0), "offers", Map.of(1, 20.0, 4, 40.0), "applyAndUndo",
            Map.of(0, 300.0))));

    @Test
    void timesStandBesideTheirShareOfTheCompiler() {
        List<String> lines = chart.table().lines().toList();
        assertTrue(lines.contains("| offers | 1× | 20 ms | 1/50.0 |"), lines.toString());
        assertTrue(lines.contains("| offers | 4× | 40 ms | 1/100.0 |"), lines.toString());
        assertTrue(lines.contains("| applyAndUndo |  | 300 ms |  |"), lines.toString());
    }

    @Test
    void aPictureIsDrawn(@TempDir Path folder) throws IOException {
        chart.write(folder.resolve("growth.png"));
        byte[] png = Files.readAllBytes(folder.resolve("growth.png"));
        assertEquals("PNG", new String(png, 1, 3, StandardCharsets.US_ASCII));
    }
}
