package dev.deftchisel.gradle.script;

/** What a script may ask for beyond itself; a line counts from 1. */
public interface ScriptHost {

    /** Reads another script for the same project. */
    void applyScript(String name, int line);

    /** Reads a plug-in of the build itself, if it is one. */
    void applyPlugin(String id, int line);

    /** Takes what is computed, and not known. */
    void report(int line, String what);
}
