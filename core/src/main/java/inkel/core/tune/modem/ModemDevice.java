package inkel.core.tune.modem;

import inkel.core.tune.Device;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * A modem that is not there: it answers as the standards have it, starts anew in the burst when the supply of the plan sags,
 * and may have one trouble.
 */
public final class ModemDevice implements Device<String, List<String>> {
    /** What may be wrong with it. */
    public enum Trouble {
        NONE,
        NO_SIM,
        PIN_ASKED,
        NOT_REGISTERED,
        WEAK
    }

    private static final String END = "\u001A";

    /** Invalid PDU mode parameter, by 3GPP TS 27.005. */
    private static final List<String> INVALID = List.of("+CMS ERROR: 304");

    private final Trouble trouble;
    private final boolean isSagging;
    private final int signal;
    private int sent;
    private boolean isWaiting;
    private boolean isTyped = true;

    /** Of the part that is waited for. */
    private int length;

    public ModemDevice(long seed, Trouble trouble, boolean isSagging) {
        this.trouble = trouble;
        this.isSagging = isSagging;
        Random random = new Random(seed);
        signal = trouble == Trouble.WEAK ? 2 + random.nextInt(7) : 14 + random.nextInt(14);
        sent = random.nextInt(200);
    }

    /** @param asked a command, or a text with the letter that ends it */
    @Override
    public List<String> answer(String asked) {
        if (isWaiting) {
            isWaiting = false;
            return !asked.endsWith(END) ? List.of("ERROR") : isTyped || isPart(asked) ? send() : INVALID;
        }
        if (asked.startsWith("AT+CMGS=") && isTyped != asked.matches("AT\\+CMGS=[0-9]{1,3}")) {
            if (!isOnNetwork()) {
                // No network service, by 3GPP TS 27.005.
                return List.of("+CMS ERROR: 331");
            }
            isWaiting = true;
            length = isTyped ? 0 : Integer.parseInt(asked.substring("AT+CMGS=".length()));
            return List.of(">");
        }
        return switch (asked) {
            case "AT", "ATH" -> List.of("OK");
            case "AT+CMGF=0", "AT+CMGF=1" -> {
                isTyped = asked.endsWith("1");
                yield List.of("OK");
            }
            case "AT+CPIN?" -> sim();
            case "AT+CREG?" -> List.of("+CREG: 0," + (isOnNetwork() ? 1 : hasCard() ? 2 : 0), "OK");
            case "AT+CSQ" -> List.of("+CSQ: " + (isOnNetwork() ? signal : 99) + ",0", "OK");
            case "AT+CNMI=2,2,0,0,0" -> receive();
            default -> List.of("ERROR");
        };
    }

    /** Whether it is in hexadecimal digits, and as long as was said. */
    private boolean isPart(String asked) {
        String hex = asked.substring(0, asked.length() - END.length());
        return hex.matches("([0-9A-F]{2})+") && hex.length() / 2 == length + 1;
    }

    private boolean hasCard() {
        return trouble != Trouble.NO_SIM && trouble != Trouble.PIN_ASKED;
    }

    private boolean isOnNetwork() {
        return hasCard() && trouble != Trouble.NOT_REGISTERED;
    }

    private List<String> sim() {
        return switch (trouble) {
            case NO_SIM -> List.of("+CME ERROR: 10");
            case PIN_ASKED -> List.of("+CPIN: SIM PIN", "OK");
            default -> List.of("+CPIN: READY", "OK");
        };
    }

    private List<String> send() {
        if (isSagging) {
            return List.of("RDY", "+CFUN: 1");
        }
        sent++;
        return List.of("+CMGS: " + sent, "OK");
    }

    private List<String> receive() {
        List<String> lines = new ArrayList<>(List.of("OK"));
        if (isOnNetwork()) {
            lines.add("+CMT: \"" + ModemDraft.MADE_UP + "\",\"\",\"26/11/28,18:00:00+00\"");
            lines.add("status");
        }
        return lines;
    }
}
