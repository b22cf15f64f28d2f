package inkel.app.ui.start;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

class StartPageTest {
    @Test
    void filesOfOneNameAreToldByTheirFolders() {
        Path shed = Path.of("/home/me/shed/lamp.inkel.json");
        Path house = Path.of("/home/me/house/lamp.inkel.json");
        Path gate = Path.of("/home/me/house/gate.inkel.json");
        List<Path> all = List.of(shed, house, gate);
        assertEquals("lamp.inkel.json, in shed", StartPage.title(shed, all));
        assertEquals("lamp.inkel.json, in house", StartPage.title(house, all));
        assertEquals("gate.inkel.json", StartPage.title(gate, all));
    }
}
