package inkel.core.tune.radio.rules;

import inkel.core.document.AirKey;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import java.util.Optional;

/** Edits of what radios are set to, and the places of findings about them. */
final class RadioFixes {
    private RadioFixes() {}

    /** The part itself; for a station on no table, the first that is on one. */
    static Place place(RadioNet net, End end) {
        return end.station().radio().orElseGet(net::anchor);
    }

    static Edit one(RadioNet net, End end, AirKey key, String value) {
        return new Stations.SetAir(net.anchor(), Optional.of(end.station().number()), key.text(), Optional.of(value));
    }

    static Edit all(RadioNet net, AirKey key, String value) {
        return new Stations.SetAir(net.anchor(), Optional.empty(), key.text(), Optional.of(value));
    }

    /** An end is set like the others. */
    static Edit like(RadioNet net, End end, AirKey key) {
        return new Stations.SetAir(net.anchor(), Optional.of(end.station().number()), key.text(), Optional.empty());
    }
}
