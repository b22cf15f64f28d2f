/** The window: its state, its frame, and how files get in and out. */
package inkel.app.ui;
