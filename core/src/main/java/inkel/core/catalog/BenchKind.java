package inkel.core.catalog;

import java.util.Locale;

/** A bench of the stage Tune that a part is measured and set on; a part may have several. */
public enum BenchKind {
    SERVO,
    RC_RECEIVER,
    MOTION,
    COMPASS,
    ANALOG_IN,
    ANALOG_OUT,
    PULSES,
    STEPPER,
    LOAD_CELL,
    CURRENT,
    CLOCK,
    STRIP,
    COLOUR,
    LAMP,
    RELAY,
    BUZZER,
    DISPLAY,
    PACKET_RADIO,
    INFRARED,
    INFRARED_SENDER,
    TAGS,
    MODEM,
    SERIAL;

    /** The word used in files. */
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
