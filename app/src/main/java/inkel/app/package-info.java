/** Start of the program: the window or a command. */
package inkel.app;
