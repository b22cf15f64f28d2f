/** What every stage is to the frame around it. */
package inkel.app.ui.stage;
