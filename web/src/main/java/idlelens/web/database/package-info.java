/**
 * The database: the one named by IDLE_LENS_DB_URL, or a private server of our own on loopback. The
 * tables are made by Flyway; {@code schema} is generated from the same migrations at build time.
 */
package idlelens.web.database;
