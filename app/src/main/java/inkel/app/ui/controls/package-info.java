/** Controls of Inkel's own: rulers, the loom, header plans. Looks are in the style sheet. */
package inkel.app.ui.controls;
