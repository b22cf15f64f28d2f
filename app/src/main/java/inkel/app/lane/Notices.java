package inkel.app.lane;

import inkel.app.words.Words;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** The latest thing to tell, and what stays on offer until the builder has chosen. */
public final class Notices {
    private final ObjectProperty<Notice> latest = new SimpleObjectProperty<>();
    private Notice offer;
    private Notice also;

    /** The latest notice; null when there is none. */
    public ObjectProperty<Notice> property() {
        return latest;
    }

    public void show(Notice notice) {
        latest.set(notice);
    }

    /** Says that something was done, with what else can be done about the same change. */
    public void done(String text) {
        latest.set(
                also == null
                        ? Notice.done(text)
                        : new Notice(Notice.Tone.DONE, text + " " + also.text(), also.actions()));
    }

    /** Something more that can be done about a change; what is said of the change itself comes before it. */
    public void also(String text, Notice.Action action) {
        also = Notice.done(text, action);
        latest.set(also);
    }

    public void trouble(String text, Notice.Action... actions) {
        latest.set(Notice.trouble(text, actions));
    }

    /** Says what went wrong by a key of the words and what the machine says of it. */
    public void failed(String key, Throwable failed) {
        trouble(Words.get(key, "detail", failed));
    }

    /** Nothing more to tell; an offer that is still open comes back. */
    public void clear() {
        also = null;
        latest.set(offer);
    }

    /** Shows something that comes back until it is withdrawn. */
    public void offer(Notice lasting) {
        offer = lasting;
        latest.set(lasting);
    }

    /** Takes back what is on offer, if anything is. */
    public void withdrawOffer() {
        offer = null;
        latest.set(null);
    }
}
