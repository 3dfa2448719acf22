package dev.deftchisel.extract.method;

import dev.deftchisel.extract.flow.Inputs;
import dev.deftchisel.extract.flow.Results;

/**
 * What a new method and its callers agree on.
 *
 * @param signature its head
 * @param inputs    what is passed to it
 * @param results   what it returns
 */
record MethodInterface(ExtractedSignature signature, Inputs inputs, Results results) {
}
