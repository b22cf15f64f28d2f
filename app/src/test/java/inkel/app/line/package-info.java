/** Ports, over pairs of pseudo terminals. */
package inkel.app.line;
