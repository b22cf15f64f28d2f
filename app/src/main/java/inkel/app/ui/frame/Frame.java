package inkel.app.ui.frame;

import inkel.app.ui.reckon.ReckonPage;
import inkel.app.ui.take.TakePage;
import inkel.core.finding.Stage;

/** What the window itself does, for the commands. */
interface Frame {
    /** Shows the page where a build is begun. */
    void begin();

    /** Shows a stage, in place of whatever page is over it. */
    void go(Stage stage);

    void addBoard();

    void renameBoard();

    /** Shows on one page how the builder of the open build works. */
    void habits();

    /** Shows what can be taken along, with a look at one kind. */
    TakePage takeAlong(String kind);

    /** Shows every calculation. */
    ReckonPage reckon();

    /** Shows work that earlier runs left. */
    void leftWork();

    /** Shows what the program is, with the licences of its libraries. */
    void about();

    void editFigures();

    void find();

    /** Explains what is selected, and the words of the field. */
    void help();

    /** The sentences of the first time. */
    void tour();

    /** Goes to the panel that says why. */
    void why();

    void switchTheme();

    /** @param by how many steps larger, or smaller; 0 for the usual size */
    void textSize(int by);
}
