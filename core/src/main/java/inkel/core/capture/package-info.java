/**
 * What a logic analyser or a scope saw: files of edges read as they stream in, and what they mean by the plan. Times are whole
 * numbers of the file's own unit, so that none is rounded.
 */
package inkel.core.capture;
