/** A capture: its traces as stitches, its messages, and what they are given to. */
package inkel.app.ui.tune.capture;
