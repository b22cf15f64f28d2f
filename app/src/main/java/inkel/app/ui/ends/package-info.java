/** The ends of wires as they lie on the table; the same pictures wherever a pin has to be found. */
package inkel.app.ui.ends;
