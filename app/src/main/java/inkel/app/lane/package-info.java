/** The lanes in which work runs, and how what came of it is told. */
package inkel.app.lane;
