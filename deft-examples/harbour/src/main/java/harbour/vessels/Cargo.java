package harbour.vessels;

public enum Cargo {
    GRAIN,
    TIMBER,
    OIL {
        @Override
        public boolean isDangerous() {
            return true;
        }
    };

    public boolean isDangerous() {
        return false;
    }
}
