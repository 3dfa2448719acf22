package dev.deftchisel.problem;

/**
 * Code on which a rule is explained and tested: whole files, each a compilation unit.
 *
 * @param before where it reports something
 * @param after  the same when the first fix of everything is applied; as before when there is no fix
 * @param silent what looks alike but is right, so that nothing is reported
 * @param file   where they stand, below the source root
 */
public record Example(String before, String after, String silent, String file) {

    /** Where most examples stand. */
    public static final String FILE = "Sample.java";

    /** No example yet. */
    static final Example NONE = new Example("", "", "", FILE);
}
