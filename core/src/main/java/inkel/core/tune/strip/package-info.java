/** The bench of an addressable strip: in which order it takes its colours, and how bright its supply lets it be. */
package inkel.core.tune.strip;
