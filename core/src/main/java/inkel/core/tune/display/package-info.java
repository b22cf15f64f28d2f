/** The bench of a display: its contrast by eye, the time of one picture, and what it takes of memory and bus. */
package inkel.core.tune.display;
