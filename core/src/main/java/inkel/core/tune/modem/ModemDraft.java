package inkel.core.tune.modem;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Tuning;
import inkel.core.formula.TextMessage;
import inkel.core.formula.TextPdu;
import inkel.core.quantity.Source;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The text that a modem is to send, and what it answered last to each command. Whom the text is for is never in here: a draft
 * is kept in the build.
 */
public record ModemDraft(ModemRig rig, String text, Map<ModemStep, Reply> replies, Optional<Integer> strength)
        implements Draft {
    /** A number of no country: its first three digits are not given to any. */
    public static final String MADE_UP = "+999000111";

    public static final int MOST_PARTS = 10;

    private static final String TEXT = "text";
    private static final String SIGNAL = "signal_dbm";

    /**
     * The size of a text; see {@link TextMessage}.
     *
     * @param isShort whether the alphabet of 7 bits is enough
     */
    public record Size(boolean isShort, int units, int parts, int left) {}

    public ModemDraft {
        replies = Map.copyOf(replies);
    }

    public static Optional<ModemDraft> of(NodeCircuit node, Placed part, Optional<Tuning> kept) {
        return ModemRig.of(node, part)
                .map(rig -> new ModemDraft(
                        rig,
                        kept.flatMap(tuning -> tuning.choice(TEXT)).orElse(""),
                        Map.of(),
                        kept.flatMap(tuning -> tuning.choice(SIGNAL))
                                .filter(dbm -> dbm.matches("-[0-9]{2,3}"))
                                .map(Integer::valueOf)));
    }

    public ModemDraft withText(String other) {
        return new ModemDraft(rig, other, replies, strength);
    }

    public ModemDraft with(Reply reply) {
        Map<ModemStep, Reply> more = new LinkedHashMap<>(replies);
        more.put(reply.step(), reply);
        return new ModemDraft(rig, text, more, reply.strength().or(() -> strength));
    }

    /** What came of lines; empty while more may come. */
    public Optional<Reply> reply(ModemStep step, List<String> lines, boolean isLate) {
        return isLate || Reply.isWhole(step, lines) ? Optional.of(Reply.of(step, lines, rig)) : Optional.empty();
    }

    private TextMessage message() {
        return TextMessage.of(text);
    }

    /** How the text goes out. */
    public Size size() {
        return new Size(
                message().isShort(),
                message().units(),
                message().parts(),
                message().left());
    }

    @Override
    public Tuning tuning() {
        Map<String, String> choices = new LinkedHashMap<>();
        if (!text.isEmpty()) {
            choices.put(TEXT, text);
        }
        strength.ifPresent(dbm -> choices.put(SIGNAL, String.valueOf(dbm)));
        return new Tuning(BenchKind.MODEM, Map.of(), Map.of(), Map.of(), choices, Map.of());
    }

    /** A modem whose supply was mended is still the same modem, with the same text. */
    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof ModemDraft modem && modem.rig.id().equals(rig.id());
    }

    @Override
    public Draft on(Draft fresh) {
        return new ModemDraft(((ModemDraft) fresh).rig, text, replies, strength);
    }

    /** Whether it goes out as it is typed: as one message in the alphabet of 7 bits. */
    public boolean isAsTyped() {
        return message().parts() == 1 && message().isShort();
    }

    /** Whether there is a text, of no more messages than anybody wants to pay for by a slip. */
    public boolean isSendable() {
        return message().parts() >= 1 && message().parts() <= MOST_PARTS;
    }

    /** What is sent where it does not go out as it is typed; see {@link TextPdu}. */
    public List<TextPdu> parts(String number, int reference) {
        return TextPdu.of(number, text, reference);
    }

    /** What came of sending, as the text goes out now. */
    public Optional<Reply> sent() {
        return Optional.ofNullable(replies.get(isAsTyped() ? ModemStep.SEND : ModemStep.SEND_PART));
    }

    @Override
    public List<Constant> constants() {
        List<Constant> constants = new ArrayList<>();
        if (!text.isEmpty()) {
            constants.add(new Constant(Constant.identifier(rig.part(), "TEXT"), quoted(text), Source.YOURS));
            constants.add(new Constant(
                    Constant.identifier(rig.part(), "TEXT_PARTS"),
                    String.valueOf(message().parts()),
                    Source.COMPUTED));
        }
        strength.ifPresent(dbm -> constants.add(
                new Constant(Constant.identifier(rig.part(), "SIGNAL_DBM"), String.valueOf(dbm), Source.MEASURED)));
        return constants;
    }

    private static String quoted(String text) {
        return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"").replaceAll("\\p{Cntrl}", " ") + "\"";
    }
}
