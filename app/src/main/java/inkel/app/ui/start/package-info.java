/** Pages that begin a build or add a board. */
package inkel.app.ui.start;
