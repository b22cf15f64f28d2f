/** The stage Log: the record, a line of time above it, and the build as it was. */
package inkel.app.ui.log;
