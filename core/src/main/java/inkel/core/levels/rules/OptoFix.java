package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Fix;
import inkel.core.levels.OptoStage;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Optional;

/** The same optocoupler, put in otherwise. */
final class OptoFix {
    private OptoFix() {}

    /** Another resistor before its lamp; empty where none will do. */
    static Optional<Fix> otherResistor(OptoStage stage) {
        return stage.suitable()
                .map(ohms -> new Fix(
                        "opto-" + signal(stage),
                        Fact.of("fix.opto")
                                .with("value", ohms)
                                .with("signal", signal(stage).pin()),
                        Fact.of("fix.opto.cost").with("current", stage.wanted()),
                        List.of(put(stage, ohms))));
    }

    /** Its lamp between the wire and the supply of who talks, or ground; empty where it would not do there. */
    static Optional<Fix> lit(OptoStage stage, Between.Opto.Lit lit) {
        String key = lit == Between.Opto.Lit.BY_LOW ? "opto_from_supply" : "opto_to_ground";
        return stage.lit(lit).filter(other -> !other.isNeverOut()).flatMap(other -> ohms(other)
                .map(value -> new Fix(
                        key.replace('_', '-') + "-" + signal(stage),
                        Fact.of("fix." + key)
                                .with("signal", signal(stage).pin())
                                .with("driver", PinNames.of(stage.node(), stage.driver()))
                                .with("value", value),
                        Fact.of("fix." + key + ".cost"),
                        List.of(put(other, value)))));
    }

    /** Its own resistor where that will do. */
    private static Optional<Resistance> ohms(OptoStage stage) {
        return stage.isWeak() || stage.isOver()
                ? stage.suitable()
                : Optional.of(stage.opto().series());
    }

    private static Endpoint signal(OptoStage stage) {
        return stage.opto().signal();
    }

    private static Edit put(OptoStage stage, Resistance ohms) {
        Between opto = new Between.Opto(
                signal(stage),
                stage.opto().lit(),
                ohms,
                stage.opto().pullUp(),
                stage.opto().extras());
        return stage.link()
                .<Edit>map(link -> new ChangeNodeWire(link, link.withBetween(Optional.of(opto))))
                .orElseGet(() -> new Insert(stage.node().node().id(), opto));
    }
}
