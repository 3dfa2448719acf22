package dev.deftchisel.desk.panel.list;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.detection.ProblemScope;
import java.util.List;
import java.util.function.BiFunction;

/**
 * How far around a place things are fixed.
 *
 * @param words for instance "this file"
 * @param finds the scope
 */
record FixScope(String words, BiFunction<Problems, Place, ProblemScope> finds) {

    static final List<FixScope> ALL = List.of(
            around("this file", Problems.Reach.FILE),
            around("this member", Problems.Reach.MEMBER),
            around("this package", Problems.Reach.PACKAGE),
            around("this source folder", Problems.Reach.ROOT),
            around("the workspace", Problems.Reach.WORKSPACE),
            new FixScope("what is not committed", (problems, place) -> problems.changed("HEAD", true)));

    private static FixScope around(String words, Problems.Reach reach) {
        return new FixScope(words, (problems, place) -> problems.around(place, reach));
    }

    ProblemScope of(Chisel chisel, Place place) {
        return finds.apply(chisel.problems(), place);
    }
}
