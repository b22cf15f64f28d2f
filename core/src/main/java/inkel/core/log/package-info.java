/** The record as it is read: its lines with what they say, what a change of the plan is in words of the builder, what is proved. */
package inkel.core.log;
