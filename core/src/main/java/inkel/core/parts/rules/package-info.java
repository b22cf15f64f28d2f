/** The rules of stage Parts. */
package inkel.core.parts.rules;
