/** Which part has which bench, and what was kept there: the one list of the benches that there are. */
package inkel.core.tune.stand;
