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

    /** How it is shown: without anybody's number. */
    public String shown() {
        return command.replace("{number}", "…");
    }

    public TimeSpan patience() {
        return TimeSpan.ofSeconds(seconds);
    }

    /** Whether it is of the script that is run as a whole: sending and waiting for a text are asked for by themselves. */
    public boolean isOfScript() {
        return this != SEND && this != RECEIVE;
    }
}
