/** What a board tells of itself at the first power-up: a small program's lines, and the checks that they answer. */
package inkel.core.wake.report;
