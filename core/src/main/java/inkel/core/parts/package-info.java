/** Stage Parts: whether each part gets a supply it bears. */
package inkel.core.parts;
