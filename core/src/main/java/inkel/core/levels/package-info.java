/** Stage Levels: what one end of a wire says against what the other end bears and understands. */
package inkel.core.levels;
