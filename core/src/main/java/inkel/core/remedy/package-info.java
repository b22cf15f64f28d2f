/** Ways out that the rules of more than one stage offer. */
package inkel.core.remedy;
