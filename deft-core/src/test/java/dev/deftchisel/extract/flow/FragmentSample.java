package dev.deftchisel.extract.flow;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.source.Range;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Stretches of the members of a class that are marked with {@code «} and {@code »}, as fragments.
 *
 * @param code      the class
 * @param fragments one for each pair of marks, in order
 */
record FragmentSample(AttributedFile code, List<Fragment> fragments) {

    static FragmentSample of(Path folder, String members) throws IOException {
        String marked = "import java.util.*;\nclass Berth {\n    int rate;\n" + members + "\n}\n";
        SampleWorkspace sample = new SampleWorkspace(folder);
        Path file = sample.write("Berth.java", marked.replaceAll("[«»]", ""));
        AttributedFile code = sample.analyst().analyse(Focus.whole(Set.of(file)).deeply()).code(file).orElseThrow();
        List<Fragment> fragments = new ArrayList<>();
        int marks = 0;
        int start = 0;
        for (int i = 0; i < marked.length(); i++) {
            if (marked.charAt(i) == '«') {
                start = i - marks++;
            } else if (marked.charAt(i) == '»') {
                fragments.add(Fragment.at(code, new Range(start, i - marks++)).get(0));
            }
        }
        return new FragmentSample(code, List.copyOf(fragments));
    }

    Flow flow() {
        return new Flow(code, fragments.get(0));
    }

    Exits exits() {
        return Exits.of(code, fragments.get(0), flow());
    }
}
