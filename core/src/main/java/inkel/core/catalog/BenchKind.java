package inkel.core.catalog;

/** The bench of the stage Tune that a part is measured and set on. */
public enum BenchKind {
    SERVO,
    RC_RECEIVER,
    PACKET_RADIO,
    TAG_READER,
    INFRARED,
    MODEM,
    COLOUR,
    ANALOG,
    MOTION,
    DISPLAY,
    OUTPUT
}
