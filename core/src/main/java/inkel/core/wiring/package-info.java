/** Stage Wire: every wire to plug, in order, with its colour and where its ends are on the headers. */
package inkel.core.wiring;
