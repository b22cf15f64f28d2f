/** The rules of stage Levels. */
package inkel.core.levels.rules;
