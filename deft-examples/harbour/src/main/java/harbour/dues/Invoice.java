package harbour.dues;

import harbour.vessels.Vessel;

public record Invoice(Vessel vessel, Money total) {

    public String text() {
        return """
                To the master of %s (%s)
                  harbour dues: %s
                """.formatted(vessel.name(), vessel.kind().describe(), total);
    }
}
