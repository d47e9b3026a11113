/** Lists of cuts: OpenTimelineIO, and edit lists as of CMX 3600. Written only. */
package idlelens.exchange.cuts;
