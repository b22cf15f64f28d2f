package inkel.core.document;

/**
 * A signal pin of a part and where it goes.
 *
 * @param from the signal pin
 * @param to a pin that offers what the signal needs, or a rail or ground it is tied to
 * @param held whether the builder fixed it
 * @param reason why it is held, in the builder's words; may be empty
 */
public record Wire(Endpoint from, Endpoint to, boolean held, String reason, Extras extras) {
    public static Wire placed(Endpoint from, Endpoint to) {
        return new Wire(from, to, false, "", Extras.NONE);
    }

    public static Wire held(Endpoint from, Endpoint to, String reason) {
        return new Wire(from, to, true, reason, Extras.NONE);
    }
}
