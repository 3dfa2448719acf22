/**
 * Members that a type has beyond its text, since an annotation processor adds them when the code is compiled.
 * {@code AddedMembers} is a service: for an annotated type it says the declarations, which the compiler then sees
 * within the type, and from which field each follows. The processor itself is not run.
 */
package dev.deftchisel.added;
