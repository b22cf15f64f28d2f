/** Lines of text from boards: the serial ports of this machine, each opened only when it is asked for. */
package inkel.app.line;
