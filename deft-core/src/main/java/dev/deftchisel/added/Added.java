package dev.deftchisel.added;

/**
 * A member that a type has beyond its text.
 *
 * @param owner simple name of the nested type it is a member of; empty for the annotated type itself
 * @param role  what it is to its field, the same for all fields: {@code getter}, {@code setter} and the like
 * @param name  its own
 * @param field the field or component from which it follows; empty for what follows from the whole type
 * @param text  its declaration on one line; empty when it stands in that of another
 */
public record Added(String owner, String role, String name, String field, String text) {

    /** The role of a member of which is only known that it was there after the last build. */
    public static final String BUILT = "built";
    /** The same for a nested type. */
    public static final String BUILT_TYPE = "built:type";

    /** Whether it is a nested type: its role is {@code builder}, or begins with that and a colon; or it was built. */
    public boolean isType() {
        return role.equals("builder") || role.startsWith("builder:") || role.equals(BUILT_TYPE);
    }

    /** Whether nobody knows from what it follows. */
    public boolean isBuilt() {
        return role.equals(BUILT) || role.equals(BUILT_TYPE);
    }
}
