/** What the window knows and does, without looks: the open build and its files, what is judged of it, what is selected, planning, notices. JavaFX properties only, so that it runs without a display. */
package inkel.app.state;
