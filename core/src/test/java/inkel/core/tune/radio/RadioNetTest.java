package inkel.core.tune.radio;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.AirKey;
import inkel.core.document.Build;
import inkel.core.document.LocalNetwork;
import inkel.core.document.LocalNetwork.Strength;
import inkel.core.document.Place;
import inkel.core.document.Station.Role;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.document.edit.Stations.SetAir;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.formula.PacketAir;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Source;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class RadioNetTest {
    private static final Place FIRST = Place.ofPart(NODE, "radio");
    private static final Place SECOND = Place.ofPart("second", "radio");

    /** Three stations: two boards of 8 bits and a gauge that is on no table; the first is the hub. */
    private static Build three(Edit... more) throws Exception {
        Build one =
                Builds.classic().part("radio", "packet-radio", "VCC=board.3V3").build();
        List<Edit> edits = new ArrayList<>(List.of(
                new CopyNode(NODE, "second", "Second"),
                new Stations.Join(SECOND, FIRST, "Locks"),
                new Stations.AddOutside(FIRST, "Gauge post"),
                new Stations.SetRole(FIRST, Role.HUB)));
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

    private static End end(Build build, int number) {
        return net(build).ends().stream()
                .filter(end -> end.station().number() == number)
                .findFirst()
                .orElseThrow();
    }

    private static List<Finding> found(Build build, String code) {
        return Builds.of(Assessment.assess(build, CATALOG), code);
    }

    @Test
    void addressesAreCountedOnByTheNumber() throws Exception {
        Build build = three(all("address", "C4E107520A"));
        assertEquals(List.of(0xC4, 0xE1, 0x07, 0x52, 0x0A), end(build, 0).address());
        assertEquals(List.of(0xC4, 0xE1, 0x07, 0x52, 0x0C), end(build, 2).address());
        Build own = three(all("address", "C4E107520A"), one(2, "address", "C4 E1 07 52 77"));
        assertEquals("C4 E1 07 52 77", end(own, 2).said(AirKey.ADDRESS));
        assertEquals(List.of(), found(own, "radio.pipe_address"));
    }

    @Test
    void whatDiffersIsToldWithTheLineAndMadeAlike() throws Exception {
        Build healthy = three();
        assertEquals(List.of(), found(healthy, "radio.settings_differ"));
        for (String[] line : new String[][] {
            {"channel", "75"},
            {"rate", "2M"},
            {"check", "1"},
            {"payload", "12"},
            {"answers", "no"},
            {"address", "C4 E1 07"}
        }) {
            Build wrong = three(one(2, line[0], line[1]));
            Finding finding = RuleKit.fires(wrong, "radio.settings_differ");
            assertEquals("Gauge post", finding.sentence().values().get("station"));
            assertTrue(
                    finding.sentence().values().get("lines").toString().contains("radio.line." + line[0]),
                    finding.sentence().toString());
            RuleKit.everyWayOut(wrong, finding);
        }
        // Twice the same rate in other words is no difference.
        assertEquals(List.of(), found(three(one(2, "rate", "1000000")), "radio.settings_differ"));
    }

    @Test
    void mostOfThemAreRightAndOfTwoTheHub() throws Exception {
        // All are told to use 1 Mbit/s, and two of three do otherwise: the hub is alone, and is to follow.
        Build build = three(one(1, "rate", "250k"), one(2, "rate", "250k"));
        assertEquals(
                List.of(FIRST),
                found(build, "radio.settings_differ").stream()
                        .map(Finding::place)
                        .toList());
        RuleKit.everyWayOut(build, found(build, "radio.settings_differ").get(0));
    }

    @Test
    void addressesThatNoPipeHearsBesideAnotherAreTold() throws Exception {
        Build twice = three(one(1, "address", "5A 3C 96 E1 02"));
        RuleKit.everyWayOut(twice, RuleKit.fires(twice, "radio.pipe_address"));
        Build other = three(one(2, "address", "5B 3C 96 E1 07"));
        assertEquals(
                "Gauge post",
                RuleKit.fires(other, "radio.pipe_address").sentence().values().get("station"));
        RuleKit.everyWayOut(other, RuleKit.fires(other, "radio.pipe_address"));
    }

    @Test
    void moreThanFiveLeavesAreTooManyPipes() throws Exception {
        List<Edit> more = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            more.add(new Stations.AddOutside(FIRST, "Post " + i));
        }
        assertEquals(List.of(), found(three(more.toArray(Edit[]::new)), "radio.pipe_address"));
        more.add(new Stations.AddOutside(FIRST, "Post 9"));
        assertEquals(
                "radio.pipe_address.many",
                RuleKit.fires(three(more.toArray(Edit[]::new)), "radio.pipe_address")
                        .sentence()
                        .key());
    }

    @Test
    void aChannelBeyondTheBandIsLedBack() throws Exception {
        assertEquals(List.of(), found(three(all("channel", "83")), "radio.channel_band"));
        Build high = three(all("channel", "84"));
        RuleKit.everyWayOut(high, RuleKit.fires(high, "radio.channel_band"));
        RuleKit.fires(three(all("channel", "0")), "radio.channel_band");
        RuleKit.fires(three(all("channel", "83"), all("rate", "2M")), "radio.channel_band");
    }

    private static Edit networks(LocalNetwork... networks) {
        return new Stations.SetNetworks(FIRST, List.of(networks));
    }

    @Test
    void aNetworkOnTheChannelIsToldByItsStrength() throws Exception {
        LocalNetwork strong = new LocalNetwork("Next door", 11, 22, Strength.STRONG);
        Build build = three(all("channel", "62"), networks(strong));
        Finding finding = RuleKit.fires(build, "radio.network_overlap");
        assertEquals(Severity.LOOK, finding.severity());
        RuleKit.everyWayOut(build, finding);
        LocalNetwork weak = new LocalNetwork("Far", 11, 22, Strength.WEAK);
        assertEquals(
                Severity.NOTE,
                RuleKit.fires(three(all("channel", "62"), networks(weak)), "radio.network_overlap")
                        .severity());
        // It reaches to 2473 MHz; a channel of 1 MHz at 2474 begins at 2473.5.
        assertEquals(List.of(), found(three(all("channel", "74"), networks(strong)), "radio.network_overlap"));
    }

    @Test
    void theFreestChannelIsFarthestFromAll() throws Exception {
        // One network of 22 MHz around 2412: the far end of the band, 2483 MHz.
        Build build = three(networks(new LocalNetwork("One", 1, 22, Strength.STRONG)));
        assertEquals(Optional.of(83), net(build).freest(PacketAir.Rate.SLOW));
        List<LocalNetwork> everywhere = new ArrayList<>();
        for (int channel = 1; channel <= 14; channel++) {
            everywhere.add(new LocalNetwork("n" + channel, channel, 22, Strength.MIDDLE));
        }
        assertEquals(
                Optional.empty(),
                net(three(networks(everywhere.toArray(LocalNetwork[]::new)))).freest(PacketAir.Rate.SLOW));
    }

    private static Edit packet(String... fields) {
        return new Stations.SetPacket(FIRST, List.of(fields));
    }

    @Test
    void fieldsThatLieOtherwiseOnAnotherBoardAreMadeAlike() throws Exception {
        // The gauge is taken to be of 32 bits: int is 4 there and 2 here.
        Build build = three(packet("level:int", "gate:bool"));
        Finding finding = RuleKit.fires(build, "radio.payload_size");
        assertEquals(8, RuleKit.si(finding, "bytes_here"));
        assertEquals(3, RuleKit.si(finding, "bytes_there"));
        RuleKit.everyWayOut(build, finding);
        assertEquals(List.of(), found(three(packet("level:int16", "flow:uint16")), "radio.payload_size"));
    }

    @Test
    void whatIsLongerThanItsPacketIsTold() throws Exception {
        Build build = three(packet("name:char[12]"), all("payload", "8"));
        Finding finding = RuleKit.fires(build, "radio.payload_size");
        assertEquals("radio.payload_size.long", finding.sentence().key());
        RuleKit.everyWayOut(build, finding);
        assertEquals(List.of(), found(three(packet("name:char[8]"), all("payload", "8")), "radio.payload_size"));
        Finding tooLong = RuleKit.fires(three(packet("name:char[33]"), all("payload", "free")), "radio.payload_size");
        assertEquals(List.of(), tooLong.fixes());
    }

    @Test
    void timeInTheAirAndClashesByHand() throws Exception {
        Build build = three(all("rate", "250k"), all("payload", "8"), all("every", "1 s"));
        RadioNet net = net(build);
        End first = net.first();
        // (1 + 5 + 8 + 2)·8 + 9 = 137 bits and (1 + 5 + 0 + 2)·8 + 9 = 73 for the answer, at 250 kbit/s.
        assertEquals(137 / 250e3, net.packet(first).seconds(), 1e-12);
        assertEquals(210 / 250e3, net.exchange(first).seconds(), 1e-12);
        assertEquals(3 * 210 / 250e3, net.load(), 1e-12);
        // Two others, each with twice 0.84 ms a second in which it hurts: 1 − e^(−0.00336).
        assertEquals(1 - Math.exp(-4 * 210 / 250e3), net.clash(first), 1e-12);
        List<Double> waits = net.spreadWaits().values().stream()
                .map(wait -> wait.seconds() * 1e3)
                .toList();
        assertEquals(List.of(1.0, 1.25, 1.5), waits);
    }

    @Test
    void reachByHand() throws Exception {
        Build build = three(
                all("rate", "250k"),
                all("channel", "76"),
                one(2, "metres", "80 m"),
                one(2, "losses", "12 dB"),
                one(2, "power", "-12 dBm"));
        RadioNet.Budget budget = net(build).budget(end(build, 2));
        // 20·lg 0.08 + 20·lg 2476 + 32.44 = −21.938 + 67.875 + 32.44 = 78.377.
        assertEquals(78.377, budget.path(), 0.001);
        assertEquals(-12 - 78.377 - 12, budget.arrives(), 0.001);
        assertEquals(-8.377, budget.margin(), 0.001);
        assertTrue(budget.isThin());
    }

    @Test
    void allOfItIsSavedAndRead() throws Exception {
        Build build = three(
                all("channel", "76"),
                one(1, "power", "-12 dBm"),
                networks(new LocalNetwork("Yours", 6, 20, Strength.MIDDLE)),
                packet("level:int16", "name:char[8]"));
        assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), CATALOG));
        String text = BuildWriter.print(build);
        for (String[] wrong : new String[][] {
            {"\"channel\" : \"76\"", "\"channel\" : \"126\""},
            {"-12 dBm", "-12 apples"},
            {"\"channel\" : 6", "\"channel\" : 15"},
            {"level:int16", "level:number"}
        }) {
            assertTrue(text.contains(wrong[0]), wrong[0]);
            assertThrows(
                    UnreadableFile.class,
                    () -> BuildReader.parse(Path.of("x"), text.replace(wrong[0], wrong[1]), CATALOG),
                    wrong[1]);
        }
    }

    @Test
    void aKeyThatIsMistypedIsTold() throws Exception {
        for (Build build : List.of(three(all("chanel", "75")), three(one(2, "chanel", "75")))) {
            assertEquals(
                    "channel",
                    RuleKit.fires(build, "parts.unknown_key")
                            .sentence()
                            .values()
                            .get("nearest"));
        }
    }

    @Test
    void whatAStationTakesOnAverageByHand() throws Exception {
        Build build = three(all("rate", "250k"), all("payload", "8"), all("listens", "10 %"));
        // 0.84 ms of each second at 11.3 mA, a tenth at 13.5 mA, the rest at 26 µA.
        assertEquals(
                0.00084 * 11.3e-3 + 0.1 * 13.5e-3 + 0.89916 * 26e-6,
                net(build).average(end(build, 0)).orElseThrow().amperes(),
                1e-9);
        assertEquals(Optional.empty(), net(build).average(end(build, 2)));
        assertEquals(0.9, net(build).missed(end(build, 0)), 1e-12);
    }

    @Test
    void aFigureSaysWhetherItIsTheBuildersOrUsual() throws Exception {
        assertEquals(Source.RULE, end(three(), 1).source(AirKey.POWER));
        assertEquals(Source.YOURS, end(three(all("power", "-6 dBm")), 1).source(AirKey.POWER));
        assertEquals(Source.YOURS, end(three(one(1, "power", "-6 dBm")), 1).source(AirKey.POWER));
        assertEquals(Source.RULE, end(three(one(1, "power", "-6 dBm")), 0).source(AirKey.POWER));
    }
}
