/** The rules of stage Power. */
package inkel.core.power.rules;
