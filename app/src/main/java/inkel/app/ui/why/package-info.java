/** The panel at the right: what is said of a place, and the figures that can be changed there. */
package inkel.app.ui.why;
