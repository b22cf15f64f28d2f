/** What every ordeal needs: a count of what happened, a watch over time, and ways to spoil texts and trees. */
package inkel.stress.kit;
