package harbour.roster;

public enum Duty {
    RADIO(2),
    PILOT(1),
    LINES(3);

    private final int crew;

    Duty(int crew) {
        this.crew = crew;
    }

    public int crew() {
        return crew;
    }
}
