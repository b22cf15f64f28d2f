package inkel.core.tune.modem;

import inkel.core.quantity.TimeSpan;

/**
 * One command of the script, by 3GPP TS 27.007 and 27.005, with how long its answer may take. The waits are what those
 * standards and usual modules leave: an answer of the module itself comes within a second, one of the network takes longer.
 */
public enum ModemStep {
    ALIVE("AT", 1),
    SIM("AT+CPIN?", 5),
    REGISTERED("AT+CREG?", 5),
    SIGNAL("AT+CSQ", 5),
    TEXT_MODE("AT+CMGF=1", 1),
    SEND("AT+CMGS=\"{number}\"", 60),
    /** What does not go out as it is typed: several messages, or letters beyond the alphabet of 7 bits. */
    PDU_MODE("AT+CMGF=0", 1),
    SEND_PART("AT+CMGS={length}", 60),
    RECEIVE("AT+CNMI=2,2,0,0,0", 120),
    HANG_UP("ATH", 20);

    private final String command;
    private final int seconds;

    ModemStep(String command, int seconds) {
        this.command = command;
        this.seconds = seconds;
    }

    /** @param number whom the text is for; only sending has it */
    public String command(String number) {
        return command.replace("{number}", number);
    }

    /** @param length of the part that is sent, in bytes; only {@link #SEND_PART} has it */
    public String command(int length) {
        return command.replace("{length}", String.valueOf(length));
    }

    /** How it is shown: without anybody's number. */
    public String shown() {
        return command.replace("{number}", "…").replace("{length}", "…");
    }

    /** Whether it asks for something to be sent behind it. */
    public boolean isSending() {
        return this == SEND || this == SEND_PART;
    }

    public TimeSpan patience() {
        return TimeSpan.ofSeconds(seconds);
    }

    /** Whether it is of the script that is run as a whole: sending and waiting for a text are asked for by themselves. */
    public boolean isOfScript() {
        return this != RECEIVE && this != PDU_MODE && !isSending();
    }
}
