package inkel.core.tune.modem;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Tuning;
import inkel.core.formula.TextPdu;
import inkel.core.kit.Builds;
import inkel.core.tune.modem.ModemDevice.Trouble;
import inkel.core.tune.modem.Reply.Verdict;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ModemTest {
    private static final ModemRig STEADY = rig(modem().setting("modem", "capacitor", "4700 uF"));

    /** On a 4 V supply of one ampere, where a burst of 2 A wants one more than it gives. */
    private static Builds modem() {
        return Builds.classic()
                .part("four", "wall-supply-4v")
                .figure("four", "rail/+/rating", "1 A")
                .part("modem", "text-modem", "VCC=four.+")
                .wire("modem.TXD", "board.D2");
    }

    private static Optional<ModemRig> found(Builds builds) {
        Build build = builds.build();
        NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
        return ModemRig.of(node, node.part("modem").orElseThrow());
    }

    private static ModemRig rig(Builds builds) {
        return found(builds).orElseThrow();
    }

    @Test
    void theSupplyIsFollowedIntoTheBurst() {
        // 3.9 V at least; 1 A is missing for 577 µs: 1 · (0.05 + 577/4700) = 0.173 V.
        assertEquals(3.9 - 0.1728, STEADY.lowest().orElseThrow().volts(), 0.001);
        assertFalse(STEADY.sags());
        // 470 µF: 1 · (0.05 + 577/470) = 1.278 V, to 2.62 V; it works from 3.4 V on.
        ModemRig weak = rig(modem().setting("modem", "capacitor", "470 uF"));
        assertEquals(2.622, weak.lowest().orElseThrow().volts(), 0.001);
        assertTrue(weak.sags());
        assertTrue(rig(modem()).sags(), "nothing carries the burst");
        assertEquals(Optional.empty(), rig(modem()).lowest());
        assertFalse(rig(Builds.classic().part("modem", "text-modem").wire("modem.TXD", "board.D2"))
                .sags());
        assertTrue(found(Builds.classic().part("modem", "text-modem")).isEmpty(), "no line is wired");
    }

    private static ModemDraft draft(ModemRig rig) {
        return new ModemDraft(rig, "water is low", Map.of(), Optional.empty());
    }

    private static Reply asked(ModemDevice device, ModemRig rig, ModemStep step) {
        List<String> lines = device.answer(step.command(ModemDraft.MADE_UP));
        return draft(rig).reply(step, lines, true).orElseThrow();
    }

    private static Reply sent(ModemDevice device, ModemRig rig) {
        assertEquals(List.of(">"), device.answer(ModemStep.SEND.command(ModemDraft.MADE_UP)));
        return draft(rig)
                .reply(ModemStep.SEND, device.answer("water is low\u001A"), false)
                .orElseThrow();
    }

    @Test
    void allOfTheScriptGoesWell() {
        ModemDevice device = new ModemDevice(1, Trouble.NONE, false);
        for (ModemStep step : ModemStep.values()) {
            // Parts have a mode and a test of their own.
            if (step == ModemStep.PDU_MODE || step == ModemStep.SEND_PART) {
                continue;
            }
            Reply reply = step == ModemStep.SEND ? sent(device, STEADY) : asked(device, STEADY, step);
            assertEquals(Verdict.WELL, reply.verdict(), step + ": " + reply);
        }
        assertEquals(
                "status",
                asked(device, STEADY, ModemStep.RECEIVE).about().values().get("text"));
    }

    @ParameterizedTest
    @CsvSource({
        "NO_SIM, SIM, STOP, modem.no_sim",
        "NO_SIM, REGISTERED, STOP, modem.not_registered",
        "NO_SIM, SIGNAL, LOOK, modem.signal_unknown",
        "PIN_ASKED, SIM, STOP, modem.pin",
        "NOT_REGISTERED, SIM, WELL, modem.sim",
        "NOT_REGISTERED, REGISTERED, LOOK, modem.searching",
        "NOT_REGISTERED, RECEIVE, LOOK, modem.none_came",
        "WEAK, REGISTERED, WELL, modem.at_home",
        "WEAK, SIGNAL, LOOK, modem.weak"
    })
    void everyTroubleIsToldByItsOwnCommand(Trouble trouble, ModemStep step, Verdict verdict, String key) {
        Reply reply = asked(new ModemDevice(7, trouble, false), STEADY, step);
        assertEquals(verdict, reply.verdict());
        assertEquals(key, reply.about().key());
    }

    @Test
    void itStartsAnewInTheBurstUntilTheCapacitorIsThere() {
        ModemRig weak = rig(modem().setting("modem", "capacitor", "470 uF"));
        Reply reset = sent(new ModemDevice(1, Trouble.NONE, weak.sags()), weak);
        assertEquals(Verdict.STOP, reset.verdict());
        assertEquals("modem.reset.sags", reset.about().key());
        assertEquals(
                Verdict.WELL,
                sent(new ModemDevice(1, Trouble.NONE, STEADY.sags()), STEADY).verdict());
        // A real one may do so on a supply that the plan calls good: then it is not the plan that is blamed.
        assertEquals(
                "modem.reset",
                Reply.of(ModemStep.SEND, List.of("RDY"), STEADY).about().key());
    }

    /** By 3GPP TS 27.007: 0 is -113 dBm or less, 1 is -111, 2 to 30 go on in twos, 31 is -51 or more, 99 unknown. */
    @Test
    void strengthIsTwiceTheCodeLess113() {
        assertEquals(
                List.of(-113, -111, -109, -53, -51),
                IntStream.of(0, 1, 2, 30, 31)
                        .mapToObj(code -> Reply.dbm(code).orElseThrow())
                        .toList());
        assertEquals(Optional.empty(), Reply.dbm(99));
        assertEquals("modem.signal.most", signal("+CSQ: 31,0").about().key());
        assertEquals("modem.weak.least", signal("+CSQ: 0,0").about().key());
        assertEquals(Verdict.LOOK, signal("+CSQ: 9,99").verdict());
        assertEquals(Verdict.WELL, signal("+CSQ: 10,99").verdict());
        assertEquals("modem.signal_unknown", signal("+CSQ: 99,99").about().key());
    }

    private static Reply signal(String line) {
        return Reply.of(ModemStep.SIGNAL, List.of(line, "OK"), STEADY);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "REGISTERED | +CREG: 0,1  | modem.at_home",
                "REGISTERED | +CREG: 5    | modem.roaming",
                "REGISTERED | +CREG: 2,3,\"00A1\",\"1F\" | modem.denied",
                "SIM        | +CME ERROR: SIM not inserted | modem.no_sim",
                "SIM        | +CPIN: SIM PUK | modem.pin",
                "SEND       | +CMS ERROR: 38 | modem.error",
                "ALIVE      | ERROR       | modem.refused",
                "ALIVE      | AT@#        | modem.odd"
            })
    void whatRealModemsAnswerIsUnderstood(ModemStep step, String line, String key) {
        assertEquals(key, Reply.of(step, List.of(line.strip()), STEADY).about().key());
    }

    @Test
    void anAnswerIsWholeWhenNothingMoreComesOfIt() {
        ModemDraft draft = draft(STEADY);
        assertTrue(draft.reply(ModemStep.SIGNAL, List.of("+CSQ: 20,0"), false).isEmpty());
        assertTrue(draft.reply(ModemStep.SIGNAL, List.of("+CSQ: 20,0", "OK"), false)
                .isPresent());
        assertTrue(draft.reply(ModemStep.RECEIVE, List.of("OK"), false).isEmpty(), "the text is still to come");
        assertEquals(
                "modem.silent",
                draft.reply(ModemStep.ALIVE, List.of(), true)
                        .orElseThrow()
                        .about()
                        .key());
    }

    @Test
    void whomATextIsForIsInNothingThatIsKept() {
        ModemDevice device = new ModemDevice(3, Trouble.NONE, false);
        ModemDraft draft = draft(STEADY).with(sent(device, STEADY)).with(asked(device, STEADY, ModemStep.SIGNAL));
        Tuning kept = draft.tuning();
        assertEquals(BenchKind.MODEM, kept.bench());
        assertEquals("water is low", kept.choice("text").orElseThrow());
        assertFalse((kept + "" + draft.constants()).contains("999"), kept.toString());
        assertTrue(draft.constants().stream().anyMatch(one -> one.value().equals("\"water is low\"")));
        int dbm = Integer.parseInt(kept.choice("signal_dbm").orElseThrow());
        assertTrue(dbm >= -113 && dbm <= -51, String.valueOf(dbm));
    }

    @Test
    void whatDoesNotGoOutAsItIsTypedGoesInParts() {
        assertTrue(draft(STEADY).isAsTyped());
        assertFalse(draft(STEADY).withText("").isSendable());
        // One that counts double: 159 and two are 161.
        assertTrue(draft(STEADY).withText("a".repeat(160)).isAsTyped());
        assertFalse(draft(STEADY).withText("a".repeat(159) + "€").isAsTyped());
        assertFalse(draft(STEADY).withText("złoty").isAsTyped());
        ModemDraft two = draft(STEADY).withText("a".repeat(159) + "€");
        assertEquals(2, two.parts(ModemDraft.MADE_UP, 7).size());
        assertTrue(draft(STEADY).withText("ł".repeat(670)).isSendable());
        assertFalse(draft(STEADY).withText("ł".repeat(671)).isSendable(), "eleven messages");
    }

    @Test
    void theModemTakesPartsOfTheLengthThatWasSaid() {
        ModemDevice device = new ModemDevice(3, Trouble.NONE, false);
        ModemDraft draft = draft(STEADY).withText("wasser ł");
        TextPdu part = draft.parts(ModemDraft.MADE_UP, 0).get(0);
        assertEquals(List.of("ERROR"), device.answer(ModemStep.SEND_PART.command(part.length())), "not in this mode");
        assertEquals(List.of("OK"), device.answer(ModemStep.PDU_MODE.command("")));
        assertEquals(List.of("ERROR"), device.answer(ModemStep.SEND.command(ModemDraft.MADE_UP)));
        assertEquals(List.of(">"), device.answer(ModemStep.SEND_PART.command(part.length())));
        Reply sent = draft.reply(ModemStep.SEND_PART, device.answer(part.hex() + "\u001A"), false)
                .orElseThrow();
        assertEquals("modem.sent", sent.about().key());
        assertEquals(Optional.of(sent), draft.with(sent).sent());
        device.answer(ModemStep.SEND_PART.command(part.length() + 1));
        assertEquals(List.of("+CMS ERROR: 304"), device.answer(part.hex() + "\u001A"));
    }
}
