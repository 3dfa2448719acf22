/** Keys, what they do, and the map from one to the other: the standard one and the changes of a user's own file. */
package dev.deftchisel.desk.key;
