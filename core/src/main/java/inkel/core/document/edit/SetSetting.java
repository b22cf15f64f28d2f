package inkel.core.document.edit;

import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.document.EditRefused;
import inkel.core.document.Laid;
import inkel.core.document.Node;

/**
 * Chooses a setting of a part: its address, rate or voltage.
 *
 * @param value as typed; null to leave the choice to the class again
 */
public record SetSetting(String node, String part, Setting<?> setting, String value) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, part);
        Node set = node.withPart(part, old -> old.withSetting(setting, value));
        // On breadboards of another kind all is laid anew.
        return setting == Settings.TABLE ? set.withLaid(Laid.NONE) : set;
    }
}
