package dev.deftchisel.workspace.opening;

/** What may be done when a workspace is opened, besides reading its files. Without the user's word nothing of it is. */
public enum Permission {
    /** Libraries that are not on this machine are fetched from the repositories that the build names. */
    FETCH_LIBRARIES,
    /** The annotation processors of the build are run, which is code of others. */
    RUN_PROCESSORS,
    /** The build tool is run to say what the build consists of, with all its scripts and plug-ins. */
    ASK_BUILD
}
