package harbour.berths;

public class MooringException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public MooringException(String message) {
        super(message);
    }
}
