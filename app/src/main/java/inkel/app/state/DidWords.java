package inkel.app.state;

import inkel.app.words.Words;
import inkel.core.quantity.Fact;

/** Words for what a step did: settings by the names that the window has for them. */
final class DidWords {
    private static final String SETTING = "setting";

    private DidWords() {}

    static String say(Fact what) {
        Object setting = what.values().get(SETTING);
        String key = SETTING + "." + setting;
        return Words.say(setting != null && Words.has(key) ? what.with(SETTING, Words.get(key)) : what);
    }
}
