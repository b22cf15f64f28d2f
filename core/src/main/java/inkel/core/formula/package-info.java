/** Pure arithmetic of the field, each formula once and with its source; knows amounts and nothing of parts or builds. */
package inkel.core.formula;
