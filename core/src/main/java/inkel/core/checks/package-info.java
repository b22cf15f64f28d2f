/** The one list of all rules, and the assessment that runs them. */
package inkel.core.checks;
