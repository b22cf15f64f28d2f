/** What is wrong with a long line. */
package inkel.core.lines.rules;
