/** Amounts with their units, ranges of them, and the one reader and printer of engineering notation. */
package inkel.core.quantity;
