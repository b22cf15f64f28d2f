/** The eight stages as they stand in the middle of the window. */
package inkel.app.ui.stages;
