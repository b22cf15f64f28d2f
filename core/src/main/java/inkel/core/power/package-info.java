/** Stage Power: what every rail must give, on average and at worst, and where its return current flows. */
package inkel.core.power;
