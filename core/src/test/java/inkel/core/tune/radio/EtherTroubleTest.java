package inkel.core.tune.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.Station.Role;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.kit.Builds;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class EtherTroubleTest {
    private static RadioNet net() throws Exception {
        Place first = Place.ofPart(Builds.NODE, "radio");
        Build build = Edit.applyAll(
                Builds.classic().part("radio", "packet-radio", "VCC=board.3V3").build(),
                List.of(
                        new CopyNode(Builds.NODE, "second", "Second"),
                        new Stations.Join(Place.ofPart("second", "radio"), first, "Locks"),
                        new Stations.AddOutside(first, "Gauge post"),
                        new Stations.SetRole(first, Role.HUB)));
        return RadioReport.of(Circuit.of(build, Builds.CATALOG)).nets().get(0);
    }

    @Test
    void oneRadioIsOtherwiseInOneThingAndItShows() throws Exception {
        RadioNet net = net();
        Set<EtherTrouble.Kind> kinds = EnumSet.noneOf(EtherTrouble.Kind.class);
        Set<Integer> stations = new HashSet<>();
        for (long seed = 0; seed < 200; seed++) {
            EtherTrouble trouble = EtherTrouble.of(net, seed).orElseThrow();
            assertEquals(trouble, EtherTrouble.of(net, seed).orElseThrow(), "the same seed plants the same");
            kinds.add(trouble.kind());
            stations.add(trouble.station());
            int otherwise = 0;
            int shown = 0;
            for (End from : net.ends()) {
                otherwise += trouble.of(from).equals(Ether.Radio.of(from)) ? 0 : 1;
                for (End to : net.ends()) {
                    boolean isWell = net.isMeant(from, to)
                            && Ether.send(net, from, to, Optional.empty()).isConfirmed();
                    shown += isWell
                                    && !Ether.send(net, from, to, Optional.of(trouble))
                                            .isConfirmed()
                            ? 1
                            : 0;
                }
            }
            assertEquals(1, otherwise, trouble.toString());
            assertTrue(shown > 0, trouble.toString());
        }
        assertEquals(EnumSet.allOf(EtherTrouble.Kind.class), kinds);
        assertEquals(Set.of(0, 1, 2), stations);
    }

    @Test
    void theHubTalksWithAllAndTheyNotWithEachOther() throws Exception {
        RadioNet net = net();
        End hub = net.first();
        long meant = net.ends().stream()
                .flatMap(from -> net.ends().stream().filter(to -> net.isMeant(from, to)))
                .count();
        assertEquals(4, meant);
        assertTrue(net.ends().stream().filter(end -> end != hub).allMatch(end -> net.isMeant(end, hub)));
    }
}
