/** The stage Wire: one wire at a time. */
package inkel.app.ui.wire;
