/** Comma separated values, in which no cell is a formula. */
package inkel.app.csv;
