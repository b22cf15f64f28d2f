/** The window: bar, edge of stages, notices, finder, strip, and the one list of stages. */
package inkel.app.ui.frame;
