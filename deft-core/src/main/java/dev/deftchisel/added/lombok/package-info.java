/** What the annotations of Lombok add to a type. */
package dev.deftchisel.added.lombok;
