package inkel.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.Leave;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.TakeOut;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** A tick says that what the list tells is there; when it tells something else, it is still to be done. */
class TicksTest {
    private static final Endpoint SELECT = Builds.end("radio.CSN");
    private static final String WIRE = "board.D10@1 > radio.CSN@1";

    private static Builds radio() {
        return Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("radio.CSN", "board.D10")
                .wire("radio.CE", "board.D9");
    }

    private static Between series(double ohms) {
        return new Between.Series(SELECT, Resistance.ofOhms(ohms), Extras.NONE);
    }

    private static Between divider(double upper, double lower) {
        return new Between.Divider(SELECT, Resistance.ofOhms(upper), Resistance.ofOhms(lower), Extras.NONE);
    }

    private static WireList list(Build build) {
        return WireList.of(Circuit.of(build, Builds.CATALOG)).get(0);
    }

    /** All that the list has ticked off, then the edit. */
    private static WireList after(Builds builds, Edit edit) throws EditRefused {
        Build build = builds.build();
        Set<String> all = new LinkedHashSet<>();
        list(build).steps().forEach(step -> all.add(step.id()));
        return list(edit.apply(new Plug(Builds.NODE, all, true).apply(build)));
    }

    private static Set<String> open(WireList list) {
        return list.steps().stream()
                .filter(step -> !step.plugged())
                .map(WireStep::id)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static List<String> pulls(WireList list) {
        return list.pulls().stream().map(WireStep::id).toList();
    }

    @Test
    void aResistorThatComesIsStillToBePutIn() throws Exception {
        WireList list = after(radio(), new Insert(Builds.NODE, series(330)));
        assertEquals(Set.of(WIRE), open(list));
        assertEquals(List.of(), pulls(list));
    }

    @Test
    void soIsOneOfAnotherValue() throws Exception {
        assertEquals(Set.of(WIRE), open(after(radio().between(series(330)), new Insert(Builds.NODE, series(1000)))));
        assertEquals(Set.of(), open(after(radio().between(series(330)), new Insert(Builds.NODE, series(330)))));
    }

    @Test
    void oneThatGoesLeavesAStraightWireToPlug() throws Exception {
        assertEquals(Set.of(WIRE), open(after(radio().between(series(330)), new TakeOut(Builds.NODE, SELECT))));
    }

    @Test
    void bothHalvesOfADividerAreChanged() throws Exception {
        WireList list = after(radio().between(divider(1000, 2200)), new Insert(Builds.NODE, divider(1800, 3300)));
        assertEquals(Set.of(WIRE, "radio.CSN@1 > row ground by resistor of radio.CSN"), open(list));
    }

    @Test
    void whatIsLeftOfAnotherKindOfPieceIsToBePulled() throws Exception {
        WireList list = after(radio().between(divider(1000, 2200)), new Insert(Builds.NODE, series(330)));
        assertTrue(open(list).contains(WIRE));
        assertTrue(pulls(list).contains("radio.CSN@1 > row ground by resistor of radio.CSN"));
    }

    @Test
    void aWireLeftAsItIsIsAsPlain() throws Exception {
        Leave leave = new Leave(Builds.NODE, SELECT, "it has worked for years", Leave.WHEN_APPLIED);
        assertEquals(Set.of(), open(after(radio(), leave)));
        assertEquals(Set.of(WIRE), open(after(radio().between(series(330)), leave)));
    }

    @Test
    void aPullUpOfAnotherValueIsStillToBePutIn() throws Exception {
        Builds pulled = radio().setting("radio", "select_pull_up", "10 kΩ");
        String pull = "radio.CSN@1 > row board.3V3";
        assertEquals(
                Set.of(pull),
                open(after(pulled, new SetSetting(Builds.NODE, "radio", Settings.SELECT_PULL_UP, "4.7 kΩ"))));
        assertTrue(pulls(after(pulled, new SetSetting(Builds.NODE, "radio", Settings.SELECT_PULL_UP, null)))
                .contains(pull));
        assertEquals(Set.of(), open(after(pulled, new SetSetting(Builds.NODE, "radio", Settings.POLLS, "2 Hz"))));
    }

    @Test
    void aDiodeThatComesIsStillToBePutIn() throws Exception {
        Builds two = Builds.dualCore().part("cell", "battery-lithium").boardAlso("VSYS", "cell.+");
        WireList list = after(two, new SetSetting(Builds.NODE, "board", Settings.DIODE, "VSYS"));
        assertEquals(Set.of("cell.+@1 > board.VSYS@1"), open(list));
    }
}
