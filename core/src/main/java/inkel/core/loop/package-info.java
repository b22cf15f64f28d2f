/** What one round of the program takes on each board, who is late for it, and who stops whom. */
package inkel.core.loop;
