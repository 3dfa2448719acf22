/** Where ships lie. */
package harbour.berths;
