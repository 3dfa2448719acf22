package dev.deftchisel.lsp.session;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.operation.Reason;
import java.util.List;
import java.util.stream.Collectors;
import org.eclipse.lsp4j.jsonrpc.ResponseErrorException;
import org.eclipse.lsp4j.jsonrpc.messages.ResponseError;
import org.eclipse.lsp4j.jsonrpc.messages.ResponseErrorCode;

/** Answers that say why something is not done. */
public final class RefusedRequest {

    private RefusedRequest() {
    }

    /** What was asked for would change what the code means, or makes no sense there. */
    public static ResponseErrorException because(List<Reason> reasons, Chisel chisel) {
        String all = reasons.stream().map(reason -> reason.file()
                .map(file -> chisel.workspace().show(file) + ":" + chisel.snapshot()
                        .file(file).map(known -> known.position(reason.range().start()) + ": ").orElse(""))
                        .orElse("") + reason.sentence())
                .collect(Collectors.joining("\n"));
        return error(ResponseErrorCode.RequestFailed, all);
    }

    /** The text is another one than that for which it was asked. */
    public static ResponseErrorException outdated() {
        return error(ResponseErrorCode.ContentModified, "the file was changed since this was offered");
    }

    /** The compiler cannot make anything of the code. */
    static ResponseErrorException failed(AnalysisException failed) {
        return error(ResponseErrorCode.RequestFailed, failed.getMessage());
    }

    /** What was asked for is right, and cannot be done all the same. */
    public static ResponseErrorException failed(String sentence) {
        return error(ResponseErrorCode.RequestFailed, sentence);
    }

    public static ResponseErrorException invalid(String sentence) {
        return error(ResponseErrorCode.InvalidParams, sentence);
    }

    private static ResponseErrorException error(ResponseErrorCode code, String sentence) {
        return new ResponseErrorException(new ResponseError(code, sentence, null));
    }
}
