package inkel.app.words;

import java.io.IOException;

/** A file that is not taken, with a sentence of its own that says why; no trouble of the system. */
public final class SaidException extends IOException {
    private static final long serialVersionUID = 1;

    /** @param sentence as a person reads it */
    public SaidException(String sentence) {
        super(sentence);
    }

    public SaidException(String sentence, Throwable cause) {
        super(sentence, cause);
    }
}
