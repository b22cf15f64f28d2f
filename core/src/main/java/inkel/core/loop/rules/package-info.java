/** What is wrong with the round of a program. */
package inkel.core.loop.rules;
