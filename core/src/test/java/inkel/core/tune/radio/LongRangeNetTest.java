package inkel.core.tune.radio;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.document.edit.Stations.SetAir;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Stations of long-range radios. */
class LongRangeNetTest {
    private static final Place FIRST = Place.ofPart(NODE, "radio");
    private static final Place SECOND = Place.ofPart("second", "radio");

    private static Build two(Edit... more) throws Exception {
        Build one = Builds.dualCore()
                .part("radio", "radio-long-range", "VCC=board.3V3")
                .build();
        List<Edit> edits = new ArrayList<>(
                List.of(new CopyNode(NODE, "second", "Second"), new Stations.Join(SECOND, FIRST, "Meadow")));
        edits.addAll(Arrays.asList(more));
        return Edit.applyAll(one, edits);
    }

    private static Edit all(String key, String value) {
        return new SetAir(FIRST, Optional.empty(), key, Optional.of(value));
    }

    private static Edit one(int number, String key, String value) {
        return new SetAir(FIRST, Optional.of(number), key, Optional.of(value));
    }

    private static RadioNet net(Build build) {
        return Assessment.assess(build, CATALOG).reports().radios().nets().get(0);
    }

    private static List<Finding> found(Build build, String code) {
        return Builds.of(Assessment.assess(build, CATALOG), code);
    }

    @Test
    void airTimeSensitivityAndReachAreThoseOfThePublishedFormulas() throws Exception {
        RadioNet net = net(two(all("spreading", "7"), all("power", "14 dBm"), all("metres", "500 m")));
        End end = net.ends().get(1);
        // 8 symbols and 4.25 before, 8 and 6 · 5 behind: (128 − 28 + 28 + 16) bits in blocks of 28; 1.024 ms each.
        assertEquals(50.25 * 1.024e-3, net.packet(end).seconds(), 1e-9);
        assertEquals(net.packet(end), net.exchange(end), "nobody answers by itself");
        // −174 + 10 lg 125 000 + 6 − 7.5 dBm; 20 lg(4π · 500 m / 0.34526 m) dB.
        assertEquals(-124.53, net.budget(end).sensitivity(), 0.01);
        assertEquals(85.2, net.budget(end).path(), 0.05);
        assertEquals(14 - 85.2 + 124.53, net.budget(end).margin(), 0.1);
        // Twelve takes 32 times as long a symbol, with two bits less of each: 8 + ceil(124/40) · 5 of them.
        RadioNet slow = net(two(all("spreading", "12")));
        assertEquals((12.25 + 28) * 32.768e-3, slow.packet(slow.ends().get(0)).seconds(), 1e-9);
    }

    @Test
    void whatMustAgreeIsToldAndMadeAlike() throws Exception {
        assertEquals(List.of(), found(two(), "radio.settings_differ"));
        for (String[] line : new String[][] {
            {"frequency", "869.5 MHz"},
            {"spreading", "12"},
            {"bandwidth", "250 kHz"},
            {"header", "no"},
            {"sync", "0x34"}
        }) {
            Build wrong = two(one(1, line[0], line[1]));
            Finding finding = RuleKit.fires(wrong, "radio.settings_differ");
            assertTrue(finding.sentence().values().get("lines").toString().contains("radio.line." + line[0]), line[0]);
            RuleKit.everyWayOut(wrong, finding);
        }
        // The same in other words, and what the header says.
        for (String[] line :
                new String[][] {{"frequency", "868300 kHz"}, {"coding", "4/8"}, {"bytes", "40"}, {"checked", "no"}}) {
            assertEquals(List.of(), found(two(one(1, line[0], line[1])), "radio.settings_differ"), line[0]);
        }
        for (String[] line : new String[][] {{"coding", "4/8"}, {"bytes", "40"}, {"checked", "no"}}) {
            Build wrong = two(all("header", "no"), one(1, line[0], line[1]));
            RuleKit.everyWayOut(wrong, RuleKit.fires(wrong, "radio.settings_differ"));
        }
    }

    @Test
    void whatPacketRadiosHaveIsNotAskedOfThem() throws Exception {
        // Channels, networks and pipes mean nothing here, whatever a file says of them.
        Build build = two(all("channel", "125"), one(0, "address", "C4 E1 07"), one(1, "address", "11 22 33 44 55"));
        for (String code : List.of("radio.settings_differ", "radio.pipe_address", "radio.channel_band")) {
            assertEquals(List.of(), found(build, code), code);
        }
        assertEquals(List.of(), net(build).over(net(build).ends().get(0)));
    }

    @Test
    void theShareOnTheAirIsHeldToWhatTheBuilderSays() throws Exception {
        // 51.456 ms every 5.1456 s is one in a hundred.
        assertEquals(List.of(), found(two(all("every", "1 s")), "radio.duty_over"), "nothing is said");
        assertEquals(List.of(), found(two(all("duty", "1 %"), all("every", "5.1456 s")), "radio.duty_over"));
        Build often = two(all("duty", "1 %"), all("every", "5.1 s"));
        Finding finding = RuleKit.fires(often, "radio.duty_over");
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals(0.051456 / 5.1, RuleKit.si(finding, "share"), 1e-9);
        RuleKit.everyWayOut(often, finding);
    }

    @Test
    void fieldsHaveRoomInWhatIsSent() throws Exception {
        Edit fields = new Stations.SetPacket(FIRST, List.of("name:char[17]"));
        Build build = two(fields);
        Finding finding = RuleKit.fires(build, "radio.payload_size");
        assertEquals("radio.payload_size.long", finding.sentence().key());
        RuleKit.everyWayOut(build, finding);
        assertEquals(List.of(), found(two(fields, all("bytes", "17")), "radio.payload_size"));
    }

    @Test
    void theCodeTakesWhatIsSet() throws Exception {
        RadioNet net = net(two(all("sync", "0x34"), all("spreading", "12"), all("coding", "4/6")));
        Map<String, String> constants = new TreeMap<>();
        RadioConstants.of(net, net.ends().get(0), "Far")
                .forEach(constant -> constants.put(constant.name(), constant.value()));
        assertEquals("868300000", constants.get("FAR_FREQUENCY_HZ"));
        assertEquals("52", constants.get("FAR_SYNC"));
        assertEquals("6", constants.get("FAR_CODED_BITS"));
        assertEquals("1", constants.get("FAR_LOW_RATE"), "symbols of 32.8 ms want it");
        assertEquals("14", constants.get("FAR_POWER_DBM"));
    }

    @Test
    void aFileKeepsItAndTellsWhatCannotBe() throws Exception {
        Build build = two(all("frequency", "434.2 MHz"), one(1, "duty", "10 %"));
        String text = BuildWriter.print(build);
        assertEquals(build.air(), BuildReader.parse(Path.of("x"), text, CATALOG).air());
        String wrong = text.replace("434.2 MHz", "7 MHz");
        assertTrue(assertThrows(UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), wrong, CATALOG))
                .problems()
                .toString()
                .contains("frequency"));
    }

    // --- the ether, by a predicate of its own

    private static String some(Random random, String usual, String... others) {
        return random.nextInt(5) > 0 ? usual : others[random.nextInt(others.length)];
    }

    @Test
    void aPacketComesThroughExactlyWhenTheSettingsSayIt() throws Exception {
        Random random = new Random(4);
        RadioNet net = net(two());
        int heard = 0;
        for (int pair = 0; pair < 2000; pair++) {
            List<Map<String, String>> said = new ArrayList<>();
            List<End> ends = new ArrayList<>();
            for (int i = 0; i < 2; i++) {
                Map<String, String> settings = Map.of(
                        "frequency", some(random, "868.3 MHz", "868.32 MHz", "868.35 MHz", "869 MHz"),
                        "spreading", some(random, "9", "7", "12"),
                        "bandwidth", some(random, "125 kHz", "250 kHz", "62.5 kHz"),
                        "coding", some(random, "4/5", "4/8"),
                        "header", some(random, "yes", "no"),
                        "checked", some(random, "yes", "no"),
                        "sync", some(random, "0x12", "0x34"),
                        "bytes", some(random, "16", "20"),
                        "power", some(random, "14 dBm", "2 dBm"));
                said.add(settings);
                End end = net.ends().get(i);
                var station = end.station();
                for (Map.Entry<String, String> one : settings.entrySet()) {
                    station = station.with(one.getKey(), Optional.of(one.getValue()));
                }
                ends.add(new End(end.sort(), station, end.plan(), end.node(), end.placed(), end.name()));
            }
            double metres = Math.pow(10, 1 + 4 * random.nextDouble());
            double losses = 40 * random.nextDouble();
            boolean wanted = isHeard(said.get(0), said.get(1), metres, losses);
            Ether.Outcome became = Ether.send(ends.get(0), ends.get(1), metres, losses);
            assertEquals(wanted, became.isHeard(), said + " over " + metres + " m, " + losses + " dB: " + became);
            heard += wanted ? 1 : 0;
        }
        assertTrue(heard > 200 && heard < 1800, "both happen: " + heard);
    }

    private static double number(String text) {
        return Double.parseDouble(text.split(" ")[0]);
    }

    private static boolean isHeard(Map<String, String> from, Map<String, String> to, double metres, double losses) {
        double kilohertz = number(to.get("bandwidth"));
        boolean isNear = Math.abs(number(from.get("frequency")) - number(to.get("frequency"))) * 1000 <= kilohertz / 4;
        boolean isSame = List.of("spreading", "bandwidth", "sync", "header").stream()
                .allMatch(key -> from.get(key).equals(to.get(key)));
        boolean isKnown = from.get("header").equals("yes")
                || List.of("coding", "checked", "bytes").stream()
                        .allMatch(key -> from.get(key).equals(to.get(key)));
        double loss = 20 * Math.log10(metres) + 20 * Math.log10(number(from.get("frequency"))) - 27.56 + losses;
        double snr = Map.of("7", -7.5, "9", -12.5, "12", -20.0).get(to.get("spreading"));
        double least = -174 + 10 * Math.log10(kilohertz * 1000) + 6 + snr;
        return isNear && isSame && isKnown && number(from.get("power")) - loss >= least;
    }
}
