/** What a builder takes to the bench on paper: one content, printed in several forms. */
package inkel.app.export.sheet;
