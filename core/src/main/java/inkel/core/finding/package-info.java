/** What a rule reports: the place, the numbers and where they come from, and the ways out. */
package inkel.core.finding;
