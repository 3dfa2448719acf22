/** The ships that call at the harbour. A {@link harbour.vessels.Vessel} is known by its name and its dimensions. */
package harbour.vessels;
