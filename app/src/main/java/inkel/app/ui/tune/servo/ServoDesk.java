package inkel.app.ui.tune.servo;

import inkel.core.tune.servo.ServoDraft;

/** What the sheets of a servo's bench share: its draft, and where changes and sentences go. */
interface ServoDesk {
    ServoDraft draft();

    void change(ServoDraft next);

    /** @param sentence what would be right; empty for nothing wrong */
    void say(String sentence);
}
