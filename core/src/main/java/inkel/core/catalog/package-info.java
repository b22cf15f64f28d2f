/** Classes of boards, modules, sources and supplies: pins, abilities, limits and figures. Data only. */
package inkel.core.catalog;
