package dev.deftchisel.desk.panel;

import dev.deftchisel.desk.picture.Line;

/**
 * A row of a list.
 *
 * @param what  it stands for
 * @param label by which it is found
 * @param line  as it is shown
 * @param aside what is shown at the right edge; may be empty
 */
public record Item<T>(T what, String label, Line line, String aside) {
}
