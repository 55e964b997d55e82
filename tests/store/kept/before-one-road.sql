BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0005');
CREATE TABLE bought (
	project_id INTEGER NOT NULL, 
	part VARCHAR NOT NULL, 
	name VARCHAR NOT NULL, 
	value VARCHAR NOT NULL, 
	motif VARCHAR NOT NULL, 
	ground VARCHAR NOT NULL, 
	figure VARCHAR NOT NULL, scale VARCHAR DEFAULT 'medium' NOT NULL, judged_family VARCHAR, tile VARCHAR, filled_in VARCHAR DEFAULT '' NOT NULL, 
	PRIMARY KEY (project_id, part), 
	FOREIGN KEY(project_id) REFERENCES project (id) ON DELETE CASCADE
);
INSERT INTO "bought" VALUES(1,'border','guard''s blind green','dark','plain','#27493b','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(1,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(2,'border','carriage panel','light','fleck','#e9dfc6','#b7a06f','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(2,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(3,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(3,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(4,'border','guard''s blind green','dark','plain','#27493b','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(4,'binding','ticket stripe','light','stripe','#efe7d3','#a3342d','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(5,'border','tunnel mouth','dark','plain','#2a3439','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(5,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(6,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(6,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(7,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(7,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(8,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(8,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(9,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(9,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(10,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(10,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(11,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(11,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(12,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(12,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(13,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(13,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(14,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(14,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(15,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(15,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(16,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(16,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(17,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(17,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(18,'border','blackout blind','dark','plain','#2b3a4a','#56697a','medium',NULL,NULL,'');
INSERT INTO "bought" VALUES(18,'binding','tail lamp spot','dark','dot','#8f2f2a','#e9cfae','medium',NULL,NULL,'');
CREATE TABLE cupboard_change (
	id INTEGER NOT NULL, 
	at VARCHAR(40) NOT NULL, 
	words VARCHAR NOT NULL, 
	"before" VARCHAR NOT NULL, 
	PRIMARY KEY (id)
);
CREATE TABLE cupboard_lot (
	id INTEGER NOT NULL, 
	revision INTEGER NOT NULL, 
	created_at VARCHAR(40) NOT NULL, 
	deleted_at VARCHAR(40), 
	name VARCHAR NOT NULL, 
	aside VARCHAR, 
	form VARCHAR NOT NULL, 
	width VARCHAR(40) NOT NULL, 
	widest DOUBLE NOT NULL, 
	pieces INTEGER NOT NULL, 
	prints INTEGER NOT NULL, 
	all_values VARCHAR NOT NULL, 
	families VARCHAR NOT NULL, 
	all_names VARCHAR NOT NULL, 
	blends VARCHAR NOT NULL, 
	length VARCHAR(40) NOT NULL, 
	most_width VARCHAR(40), 
	most_length VARCHAR(40), 
	measured_length VARCHAR(40), 
	grams INTEGER, 
	estimated BOOLEAN NOT NULL, 
	directional BOOLEAN NOT NULL, 
	shrinkage VARCHAR(40) NOT NULL, 
	wrong_side VARCHAR, cut INTEGER DEFAULT '0' NOT NULL, shrinkage_across VARCHAR, 
	PRIMARY KEY (id)
);
INSERT INTO "cupboard_lot" VALUES(1,1,'2026-03-02T19:00:00+00:00',NULL,'spare roll of the paint shop',NULL,'strip','5/2',2.5,40,20,'light medium dark','blue brown green neutral orange purple red teal yellow','spare roll of the paint shop
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck
waiting room rose
slate stripe
carriage brown spot','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992 #d8a294 #78848b #694933','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(2,1,'2026-03-02T19:00:00+00:00',NULL,'curtain remnants, light',NULL,'fat-quarter','35/2',17.5,12,12,'light','neutral orange yellow','curtain remnants, light
ticket cream spot
smoke
lamp glass sprig
steam
straw sprig
waiting room rose
ticket cream check
lamp glass fleck
steam stripe
straw fleck
oatmeal sprig
ticket cream sprig','#e5d1bb #cdc8bc #9fb5c1 #e6e4dc #d0ad65 #d8a294 #d0a489 #a2b9c3 #c3c8c5 #d3b169 #cebd9e #e4cfb8','21',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(3,1,'2026-03-02T19:00:00+00:00',NULL,'curtain remnants, dark',NULL,'fat-quarter','35/2',17.5,9,9,'dark','blue brown neutral red','curtain remnants, dark
night blue fleck
carriage brown spot
night blue
coal sprig
buffer plum sprig
night blue stripe
coal fleck
buffer plum fleck
carriage brown sprig','#3e4a5d #694933 #27385c #484d54 #6d4452 #5f635f #444950 #69404d #6b4b34','21',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(4,1,'2026-03-02T19:00:00+00:00',NULL,'charcoal',NULL,'yardage','42',42.0,1,1,'dark','neutral','charcoal
charcoal','#3b4046','81',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(5,1,'2026-03-02T19:00:00+00:00',NULL,'signal green',NULL,'yardage','42',42.0,1,1,'dark','green','signal green
signal green','#2f5d48','108',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(6,1,'2026-03-02T19:00:00+00:00',NULL,'ticket stripe',NULL,'yardage','42',42.0,1,1,'medium','red','ticket stripe
ticket stripe','#bc6b5b','18',NULL,NULL,NULL,NULL,0,1,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(7,1,'2026-03-02T19:00:00+00:00',NULL,'waiting room charms',NULL,'square','5',5.0,42,21,'light medium dark','blue brown green neutral orange purple red teal yellow','waiting room charms
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck
waiting room rose
slate stripe
carriage brown spot
oatmeal check','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992 #d8a294 #78848b #694933 #b49d7c','5',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(8,1,'2026-03-02T19:00:00+00:00',NULL,'dining car tens',NULL,'square','10',10.0,40,20,'light medium dark','blue brown green neutral orange purple red teal yellow','dining car tens
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck
waiting room rose
slate stripe
carriage brown spot','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992 #d8a294 #78848b #694933','10',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(9,1,'2026-03-02T19:00:00+00:00',NULL,'Squares of 30',NULL,'square','5/2',2.5,30,10,'light medium dark','blue brown green neutral red teal yellow','squares of 30
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1','5/2',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(10,1,'2026-03-02T19:00:00+00:00',NULL,'upholstery',NULL,'string','5/4',2.5,60,1,'medium','red','upholstery
upholstery','#bc6b5b','9','5/2','30',NULL,NULL,1,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(11,1,'2026-03-02T19:00:00+00:00',NULL,'Strings of 9',NULL,'string','3/2',1.5,9,1,'medium','red','strings of 9
string','#bc6b5b','30',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(12,1,'2026-03-02T19:00:00+00:00',NULL,'off corners','for another quilt','triangle','5/2',2.5,60,1,'medium','red','off corners
off corners','#bc6b5b','5/2',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(13,1,'2026-03-02T19:00:00+00:00',NULL,'moquette',NULL,'piece','9',9.0,4,1,'medium','red','moquette
moquette','#bc6b5b','12',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(14,1,'2026-03-02T19:00:00+00:00',NULL,'shoe box',NULL,'scraps','0',0.0,1,1,'medium','red','shoe box
shoe box','#bc6b5b','0',NULL,NULL,NULL,900,1,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(15,1,'2026-03-02T19:00:00+00:00',NULL,'Backing',NULL,'backing','108',108.0,1,1,'medium','red','backing
backing','#bc6b5b','180',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(16,1,'2026-03-02T19:00:00+00:00',NULL,'Batting',NULL,'batting','72',72.0,1,1,'light','neutral','batting
batting','#f2f0ea','90',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(17,1,'2026-03-03T19:00:00+00:00',NULL,'strips for the cushion for the tender',NULL,'strip','5/2',2.5,6,6,'light medium dark','blue green neutral red yellow','strips for the cushion for the tender
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,4,NULL);
INSERT INTO "cupboard_lot" VALUES(18,1,'2026-03-04T19:00:00+00:00',NULL,'ends of Cushion for the tender',NULL,'piece','5/2',2.5,4,4,'light medium','green neutral red yellow','ends of cushion for the tender
lamp red stripe
ticket cream spot
signal green check
brass sprig','#bc6b5b #e5d1bb #7f9c84 #b27d2b','3/2',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(19,1,'2026-03-04T19:00:00+00:00',NULL,'segments of Cushion for the tender',NULL,'piece','5/2',2.5,4,4,'light medium','green neutral red yellow','segments of cushion for the tender
lamp red stripe
ticket cream spot
signal green check
brass sprig','#bc6b5b #e5d1bb #7f9c84 #b27d2b','9/2',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(20,1,'2026-03-04T19:00:00+00:00',NULL,'strips for the signal box wall piece',NULL,'strip','3/2',1.5,30,15,'light medium dark','blue brown green neutral purple red teal yellow','strips for the signal box wall piece
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(21,1,'2026-03-05T19:00:00+00:00',NULL,'strips for the waiting room lap quilt',NULL,'strip','325/127',2.55905511811023611556e+00,40,20,'light medium dark','blue brown green neutral orange purple red teal yellow','strips for the waiting room lap quilt
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck
waiting room rose
slate stripe
carriage brown spot','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992 #d8a294 #78848b #694933','5350/127',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(22,1,'2026-03-06T19:00:00+00:00',NULL,'strips for the lower berth quilt',NULL,'strip','5/2',2.5,34,17,'light medium dark','blue brown green neutral purple red teal yellow','strips for the lower berth quilt
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992','165/4',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(23,1,'2026-03-07T19:00:00+00:00',NULL,'strips for the crew room throw',NULL,'strip','5/2',2.5,40,20,'light medium dark','blue brown green neutral orange purple red teal yellow','strips for the crew room throw
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck
waiting room rose
slate stripe
carriage brown spot','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992 #d8a294 #78848b #694933','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(24,1,'2026-04-01T09:00:00+00:00',NULL,'Forty strips, 8 by 10 1',NULL,'strip','5/2',2.5,40,20,'light medium dark','blue brown green neutral orange purple red teal yellow','forty strips, 8 by 10 1
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck
waiting room rose
slate stripe
carriage brown spot','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992 #d8a294 #78848b #694933','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(25,1,'2026-04-02T09:00:00+00:00',NULL,'Sets of four, one print 1',NULL,'strip','5/2',2.5,24,1,'dark','green','sets of four, one print 1
signal green','#2f5d48','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(26,1,'2026-04-03T09:00:00+00:00',NULL,'Measured short 1',NULL,'strip','5/2',2.5,40,20,'light medium dark','blue brown green neutral orange purple red teal yellow','measured short 1
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck
waiting room rose
slate stripe
carriage brown spot','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992 #d8a294 #78848b #694933','42',NULL,NULL,'165/4',NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(27,1,'2026-04-04T09:00:00+00:00',NULL,'Short of blocks 1',NULL,'strip','5/2',2.5,20,10,'light medium dark','blue brown green neutral red teal yellow','short of blocks 1
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(28,1,'2026-04-05T09:00:00+00:00',NULL,'Nine-patch charms 1',NULL,'square','5',5.0,12,12,'light','neutral orange yellow','nine-patch charms 1
ticket cream spot
smoke
lamp glass sprig
steam
straw sprig
waiting room rose
ticket cream check
lamp glass fleck
steam stripe
straw fleck
oatmeal sprig
ticket cream sprig','#e5d1bb #cdc8bc #9fb5c1 #e6e4dc #d0ad65 #d8a294 #d0a489 #a2b9c3 #c3c8c5 #d3b169 #cebd9e #e4cfb8','5',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(29,1,'2026-04-05T09:00:00+00:00',NULL,'Nine-patch charms 2',NULL,'square','5',5.0,15,15,'dark','blue brown green neutral red','nine-patch charms 2
night blue fleck
carriage brown spot
night blue
coal sprig
buffer plum sprig
night blue stripe
coal fleck
buffer plum fleck
carriage brown sprig
signal green
night blue spot
coal
buffer plum
carriage brown fleck
coal stripe','#3e4a5d #694933 #27385c #484d54 #6d4452 #5f635f #444950 #69404d #6b4b34 #2f5d48 #414c5d #363b42 #59303f #674732 #575d65','5',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(30,1,'2026-04-06T09:00:00+00:00',NULL,'Windows 1',NULL,'fat-quarter','35/2',17.5,10,10,'light medium dark','blue brown green neutral red teal yellow','windows 1
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1','21',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(31,1,'2026-04-07T09:00:00+00:00',NULL,'Own pieces 1',NULL,'fat-quarter','35/2',17.5,12,12,'light medium dark','blue brown green neutral red teal yellow','own pieces 1
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc','21',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(32,1,'2026-04-08T09:00:00+00:00',NULL,'Strips and quarters 1',NULL,'strip','5/2',2.5,20,10,'light medium dark','blue brown green neutral red teal yellow','strips and quarters 1
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(33,1,'2026-04-08T09:00:00+00:00',NULL,'Strips and quarters 2',NULL,'fat-quarter','35/2',17.5,6,6,'light medium dark','blue green neutral red yellow','strips and quarters 2
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc','21',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(34,1,'2026-04-09T09:00:00+00:00',NULL,'Only a sketch 1',NULL,'square','10',10.0,8,4,'light medium','green neutral red yellow','only a sketch 1
lamp red stripe
ticket cream spot
signal green check
brass sprig','#bc6b5b #e5d1bb #7f9c84 #b27d2b','10',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(35,1,'2026-04-10T09:00:00+00:00',NULL,'For a bed 1',NULL,'strip','5/2',2.5,42,21,'light medium dark','blue brown green neutral orange purple red teal yellow','for a bed 1
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig
bracken fleck
steam
heather stripe
fell moss spot
buffer plum check
straw sprig
porter blue fleck
waiting room rose
slate stripe
carriage brown spot
oatmeal check','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1 #9f734a #e6e4dc #8d7997 #778c62 #926872 #d0ad65 #5e7992 #d8a294 #78848b #694933 #b49d7c','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(36,1,'2026-04-10T09:00:00+00:00',NULL,'For a bed 2',NULL,'yardage','42',42.0,1,1,'dark','green','for a bed 2
signal green','#2f5d48','108',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(37,1,'2026-04-11T09:00:00+00:00',NULL,'Thrown away 1',NULL,'strip','5/2',2.5,20,10,'light medium dark','blue brown green neutral red teal yellow','thrown away 1
lamp red stripe
ticket cream spot
signal green check
brass sprig
night blue fleck
smoke
rust stripe
tarn spot
coal check
lamp glass sprig','#bc6b5b #e5d1bb #7f9c84 #b27d2b #3e4a5d #cdc8bc #cb835f #548486 #676e75 #9fb5c1','42',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
INSERT INTO "cupboard_lot" VALUES(38,1,'2026-04-12T09:00:00+00:00',NULL,'Strings only 1',NULL,'string','3/2',1.5,9,1,'medium','red','strings only 1
string','#bc6b5b','30',NULL,NULL,NULL,NULL,0,0,'0',NULL,0,NULL);
CREATE TABLE cupboard_stack (
	id INTEGER NOT NULL PRIMARY KEY AUTOINCREMENT, 
	lot_id INTEGER NOT NULL, 
	position INTEGER NOT NULL, 
	count INTEGER NOT NULL, 
	measured_length VARCHAR(40), 
	name VARCHAR NOT NULL, 
	value VARCHAR NOT NULL, 
	motif VARCHAR NOT NULL, 
	ground VARCHAR NOT NULL, 
	figure VARCHAR NOT NULL, 
	scale VARCHAR NOT NULL, 
	judged_family VARCHAR, 
	tile VARCHAR, filled_in VARCHAR DEFAULT '' NOT NULL, 
	FOREIGN KEY(lot_id) REFERENCES cupboard_lot (id) ON DELETE CASCADE
);
INSERT INTO "cupboard_stack" VALUES(1,1,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(2,1,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(3,1,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(4,1,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(5,1,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(6,1,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(7,1,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(8,1,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(9,1,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(10,1,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(11,1,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(12,1,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(13,1,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(14,1,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(15,1,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(16,1,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(17,1,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(18,1,17,2,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(19,1,18,2,NULL,'slate stripe','medium','stripe','#55636b','#bcc5c8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(20,1,19,2,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(21,2,0,1,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(22,2,1,1,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(23,2,2,1,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(24,2,3,1,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(25,2,4,1,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(26,2,5,1,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(27,2,6,1,NULL,'ticket cream check','light','check','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(28,2,7,1,NULL,'lamp glass fleck','light','fleck','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(29,2,8,1,NULL,'steam stripe','light','stripe','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(30,2,9,1,NULL,'straw fleck','light','fleck','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(31,2,10,1,NULL,'oatmeal sprig','light','sprig','#dccfb1','#8d6b46','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(32,2,11,1,NULL,'ticket cream sprig','light','sprig','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(33,3,0,1,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(34,3,1,1,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(35,3,2,1,NULL,'night blue','dark','plain','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(36,3,3,1,NULL,'coal sprig','dark','sprig','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(37,3,4,1,NULL,'buffer plum sprig','dark','sprig','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(38,3,5,1,NULL,'night blue stripe','dark','stripe','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(39,3,6,1,NULL,'coal fleck','dark','fleck','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(40,3,7,1,NULL,'buffer plum fleck','dark','fleck','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(41,3,8,1,NULL,'carriage brown sprig','dark','sprig','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(42,4,0,1,NULL,'charcoal','dark','plain','#3b4046','#7d858d','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(43,5,0,1,NULL,'signal green','dark','plain','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(44,6,0,1,NULL,'ticket stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(45,7,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(46,7,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(47,7,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(48,7,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(49,7,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(50,7,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(51,7,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(52,7,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(53,7,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(54,7,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(55,7,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(56,7,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(57,7,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(58,7,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(59,7,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(60,7,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(61,7,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(62,7,17,2,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(63,7,18,2,NULL,'slate stripe','medium','stripe','#55636b','#bcc5c8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(64,7,19,2,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(65,7,20,2,NULL,'oatmeal check','medium','check','#dccfb1','#8d6b46','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(66,8,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(67,8,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(68,8,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(69,8,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(70,8,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(71,8,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(72,8,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(73,8,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(74,8,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(75,8,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(76,8,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(77,8,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(78,8,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(79,8,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(80,8,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(81,8,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(82,8,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(83,8,17,2,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(84,8,18,2,NULL,'slate stripe','medium','stripe','#55636b','#bcc5c8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(85,8,19,2,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(86,9,0,3,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(87,9,1,3,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(88,9,2,3,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(89,9,3,3,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(90,9,4,3,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(91,9,5,3,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(92,9,6,3,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(93,9,7,3,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(94,9,8,3,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(95,9,9,3,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(96,10,0,60,NULL,'upholstery','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(97,11,0,9,NULL,'string','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(98,12,0,60,NULL,'off corners','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(99,13,0,4,NULL,'moquette','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(100,14,0,1,NULL,'shoe box','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(101,15,0,1,NULL,'backing','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(102,16,0,1,NULL,'batting','light','plain','#f2f0ea','#dedbd0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(103,17,0,1,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(104,17,1,1,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(105,17,2,1,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(106,17,3,1,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(107,17,4,1,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(108,17,5,1,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(109,18,0,1,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(110,18,1,1,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(111,18,2,1,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(112,18,3,1,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(113,19,0,1,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(114,19,1,1,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(115,19,2,1,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(116,19,3,1,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(117,20,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(118,20,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(119,20,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(120,20,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(121,20,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(122,20,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(123,20,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(124,20,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(125,20,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(126,20,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(127,20,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(128,20,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(129,20,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(130,20,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(131,20,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(132,21,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(133,21,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(134,21,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(135,21,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(136,21,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(137,21,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(138,21,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(139,21,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(140,21,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(141,21,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(142,21,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(143,21,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(144,21,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(145,21,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(146,21,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(147,21,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(148,21,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(149,21,17,2,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(150,21,18,2,NULL,'slate stripe','medium','stripe','#55636b','#bcc5c8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(151,21,19,2,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(152,22,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(153,22,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(154,22,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(155,22,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(156,22,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(157,22,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(158,22,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(159,22,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(160,22,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(161,22,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(162,22,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(163,22,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(164,22,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(165,22,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(166,22,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(167,22,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(168,22,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(169,23,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(170,23,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(171,23,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(172,23,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(173,23,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(174,23,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(175,23,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(176,23,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(177,23,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(178,23,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(179,23,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(180,23,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(181,23,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(182,23,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(183,23,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(184,23,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(185,23,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(186,23,17,2,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(187,23,18,2,NULL,'slate stripe','medium','stripe','#55636b','#bcc5c8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(188,23,19,2,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(189,24,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(190,24,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(191,24,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(192,24,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(193,24,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(194,24,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(195,24,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(196,24,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(197,24,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(198,24,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(199,24,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(200,24,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(201,24,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(202,24,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(203,24,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(204,24,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(205,24,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(206,24,17,2,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(207,24,18,2,NULL,'slate stripe','medium','stripe','#55636b','#bcc5c8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(208,24,19,2,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(209,25,0,24,NULL,'signal green','dark','plain','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(210,26,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(211,26,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(212,26,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(213,26,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(214,26,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(215,26,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(216,26,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(217,26,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(218,26,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(219,26,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(220,26,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(221,26,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(222,26,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(223,26,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(224,26,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(225,26,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(226,26,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(227,26,17,2,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(228,26,18,2,NULL,'slate stripe','medium','stripe','#55636b','#bcc5c8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(229,26,19,2,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(230,27,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(231,27,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(232,27,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(233,27,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(234,27,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(235,27,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(236,27,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(237,27,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(238,27,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(239,27,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(240,28,0,1,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(241,28,1,1,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(242,28,2,1,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(243,28,3,1,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(244,28,4,1,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(245,28,5,1,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(246,28,6,1,NULL,'ticket cream check','light','check','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(247,28,7,1,NULL,'lamp glass fleck','light','fleck','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(248,28,8,1,NULL,'steam stripe','light','stripe','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(249,28,9,1,NULL,'straw fleck','light','fleck','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(250,28,10,1,NULL,'oatmeal sprig','light','sprig','#dccfb1','#8d6b46','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(251,28,11,1,NULL,'ticket cream sprig','light','sprig','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(252,29,0,1,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(253,29,1,1,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(254,29,2,1,NULL,'night blue','dark','plain','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(255,29,3,1,NULL,'coal sprig','dark','sprig','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(256,29,4,1,NULL,'buffer plum sprig','dark','sprig','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(257,29,5,1,NULL,'night blue stripe','dark','stripe','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(258,29,6,1,NULL,'coal fleck','dark','fleck','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(259,29,7,1,NULL,'buffer plum fleck','dark','fleck','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(260,29,8,1,NULL,'carriage brown sprig','dark','sprig','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(261,29,9,1,NULL,'signal green','dark','plain','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(262,29,10,1,NULL,'night blue spot','dark','dot','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(263,29,11,1,NULL,'coal','dark','plain','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(264,29,12,1,NULL,'buffer plum','dark','plain','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(265,29,13,1,NULL,'carriage brown fleck','dark','fleck','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(266,29,14,1,NULL,'coal stripe','dark','stripe','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(267,30,0,1,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(268,30,1,1,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(269,30,2,1,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(270,30,3,1,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(271,30,4,1,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(272,30,5,1,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(273,30,6,1,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(274,30,7,1,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(275,30,8,1,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(276,30,9,1,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(277,31,0,1,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(278,31,1,1,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(279,31,2,1,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(280,31,3,1,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(281,31,4,1,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(282,31,5,1,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(283,31,6,1,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(284,31,7,1,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(285,31,8,1,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(286,31,9,1,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(287,31,10,1,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(288,31,11,1,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(289,32,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(290,32,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(291,32,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(292,32,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(293,32,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(294,32,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(295,32,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(296,32,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(297,32,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(298,32,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(299,33,0,1,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(300,33,1,1,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(301,33,2,1,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(302,33,3,1,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(303,33,4,1,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(304,33,5,1,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(305,34,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(306,34,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(307,34,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(308,34,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(309,35,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(310,35,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(311,35,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(312,35,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(313,35,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(314,35,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(315,35,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(316,35,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(317,35,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(318,35,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(319,35,10,2,NULL,'bracken fleck','medium','fleck','#93643b','#e6d2a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(320,35,11,2,NULL,'steam','light','plain','#e6e4dc','#7f9199','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(321,35,12,2,NULL,'heather stripe','medium','stripe','#6b5476','#d0c1d6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(322,35,13,2,NULL,'fell moss spot','medium','dot','#84976a','#33503a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(323,35,14,2,NULL,'buffer plum check','medium','check','#59303f','#caa0a6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(324,35,15,2,NULL,'straw sprig','light','sprig','#dfbf74','#8a5b22','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(325,35,16,2,NULL,'porter blue fleck','medium','fleck','#4b6884','#d5e0e6','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(326,35,17,2,NULL,'waiting room rose','light','plain','#d8a294','#8c3b38','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(327,35,18,2,NULL,'slate stripe','medium','stripe','#55636b','#bcc5c8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(328,35,19,2,NULL,'carriage brown spot','dark','dot','#573a29','#c69a68','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(329,35,20,2,NULL,'oatmeal check','medium','check','#dccfb1','#8d6b46','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(330,36,0,1,NULL,'signal green','dark','plain','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(331,37,0,2,NULL,'lamp red stripe','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(332,37,1,2,NULL,'ticket cream spot','light','dot','#efe7d3','#b0603f','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(333,37,2,2,NULL,'signal green check','medium','check','#2f5d48','#cfdcc0','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(334,37,3,2,NULL,'brass sprig','medium','sprig','#c1892f','#70481a','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(335,37,4,2,NULL,'night blue fleck','dark','fleck','#27385c','#ccb765','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(336,37,5,2,NULL,'smoke','light','plain','#cdc8bc','#726d66','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(337,37,6,2,NULL,'rust stripe','medium','stripe','#b7552f','#f1dcbd','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(338,37,7,2,NULL,'tarn spot','medium','dot','#3d7276','#cfe2dc','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(339,37,8,2,NULL,'coal check','medium','check','#363b42','#98a0a8','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(340,37,9,2,NULL,'lamp glass sprig','light','sprig','#afc4cd','#557388','medium',NULL,NULL,'');
INSERT INTO "cupboard_stack" VALUES(341,38,0,9,NULL,'string','medium','stripe','#a3342d','#ecd6b5','medium',NULL,NULL,'');
CREATE TABLE done_step (
	project_id INTEGER NOT NULL, 
	"key" VARCHAR NOT NULL, 
	PRIMARY KEY (project_id, "key"), 
	FOREIGN KEY(project_id) REFERENCES project (id) ON DELETE CASCADE
);
INSERT INTO "done_step" VALUES(1,'backing-f5aa31ff');
INSERT INTO "done_step" VALUES(1,'binding-e9c09711');
INSERT INTO "done_step" VALUES(1,'blocks-2b1871cf');
INSERT INTO "done_step" VALUES(1,'border-0982a980');
INSERT INTO "done_step" VALUES(1,'check-36954813');
INSERT INTO "done_step" VALUES(1,'keep-59235d6d');
INSERT INTO "done_step" VALUES(1,'rows-31d5e745');
INSERT INTO "done_step" VALUES(1,'segments-b5c60004');
INSERT INTO "done_step" VALUES(5,'check-1f8b2634');
INSERT INTO "done_step" VALUES(7,'check-1f8b2634');
INSERT INTO "done_step" VALUES(7,'segments-6cce0d0d');
INSERT INTO "done_step" VALUES(8,'check-33c81c02');
INSERT INTO "done_step" VALUES(8,'keep-e6cc8574');
CREATE TABLE ledger (
	id INTEGER NOT NULL, 
	at VARCHAR(40) NOT NULL, 
	kind VARCHAR NOT NULL, 
	lot_id INTEGER NOT NULL, 
	lot_name VARCHAR NOT NULL, 
	print_name VARCHAR NOT NULL, 
	project_id INTEGER, 
	project_name VARCHAR, 
	pieces INTEGER NOT NULL, 
	area VARCHAR(40) NOT NULL, 
	PRIMARY KEY (id)
);
INSERT INTO "ledger" VALUES(1,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','lamp red stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(2,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','ticket cream spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(3,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','signal green check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(4,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','brass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(5,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','night blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(6,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','smoke',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(7,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','rust stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(8,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','tarn spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(9,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','coal check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(10,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','lamp glass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(11,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','bracken fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(12,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','steam',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(13,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','heather stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(14,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','fell moss spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(15,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','buffer plum check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(16,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','straw sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(17,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','porter blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(18,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','waiting room rose',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(19,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','slate stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(20,'2026-03-02T19:00:00+00:00','bought',1,'spare roll of the paint shop','carriage brown spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(21,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','ticket cream spot',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(22,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','smoke',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(23,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','lamp glass sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(24,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','steam',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(25,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','straw sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(26,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','waiting room rose',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(27,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','ticket cream check',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(28,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','lamp glass fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(29,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','steam stripe',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(30,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','straw fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(31,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','oatmeal sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(32,'2026-03-02T19:00:00+00:00','bought',2,'curtain remnants, light','ticket cream sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(33,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','night blue fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(34,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','carriage brown spot',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(35,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','night blue',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(36,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','coal sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(37,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','buffer plum sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(38,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','night blue stripe',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(39,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','coal fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(40,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','buffer plum fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(41,'2026-03-02T19:00:00+00:00','bought',3,'curtain remnants, dark','carriage brown sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(42,'2026-03-02T19:00:00+00:00','bought',4,'charcoal','charcoal',NULL,NULL,1,'3402');
INSERT INTO "ledger" VALUES(43,'2026-03-02T19:00:00+00:00','bought',5,'signal green','signal green',NULL,NULL,1,'4536');
INSERT INTO "ledger" VALUES(44,'2026-03-02T19:00:00+00:00','bought',6,'ticket stripe','ticket stripe',NULL,NULL,1,'756');
INSERT INTO "ledger" VALUES(45,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','lamp red stripe',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(46,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','ticket cream spot',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(47,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','signal green check',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(48,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','brass sprig',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(49,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','night blue fleck',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(50,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','smoke',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(51,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','rust stripe',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(52,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','tarn spot',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(53,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','coal check',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(54,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','lamp glass sprig',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(55,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','bracken fleck',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(56,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','steam',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(57,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','heather stripe',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(58,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','fell moss spot',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(59,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','buffer plum check',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(60,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','straw sprig',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(61,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','porter blue fleck',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(62,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','waiting room rose',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(63,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','slate stripe',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(64,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','carriage brown spot',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(65,'2026-03-02T19:00:00+00:00','bought',7,'waiting room charms','oatmeal check',NULL,NULL,2,'50');
INSERT INTO "ledger" VALUES(66,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','lamp red stripe',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(67,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','ticket cream spot',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(68,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','signal green check',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(69,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','brass sprig',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(70,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','night blue fleck',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(71,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','smoke',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(72,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','rust stripe',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(73,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','tarn spot',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(74,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','coal check',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(75,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','lamp glass sprig',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(76,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','bracken fleck',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(77,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','steam',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(78,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','heather stripe',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(79,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','fell moss spot',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(80,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','buffer plum check',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(81,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','straw sprig',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(82,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','porter blue fleck',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(83,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','waiting room rose',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(84,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','slate stripe',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(85,'2026-03-02T19:00:00+00:00','bought',8,'dining car tens','carriage brown spot',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(86,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','lamp red stripe',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(87,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','ticket cream spot',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(88,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','signal green check',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(89,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','brass sprig',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(90,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','night blue fleck',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(91,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','smoke',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(92,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','rust stripe',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(93,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','tarn spot',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(94,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','coal check',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(95,'2026-03-02T19:00:00+00:00','bought',9,'Squares of 30','lamp glass sprig',NULL,NULL,3,'75/4');
INSERT INTO "ledger" VALUES(96,'2026-03-02T19:00:00+00:00','bought',10,'upholstery','upholstery',NULL,NULL,60,'8775/4');
INSERT INTO "ledger" VALUES(97,'2026-03-02T19:00:00+00:00','bought',11,'Strings of 9','string',NULL,NULL,9,'405');
INSERT INTO "ledger" VALUES(98,'2026-03-02T19:00:00+00:00','bought',12,'off corners','off corners',NULL,NULL,60,'375/2');
INSERT INTO "ledger" VALUES(99,'2026-03-02T19:00:00+00:00','bought',13,'moquette','moquette',NULL,NULL,4,'432');
INSERT INTO "ledger" VALUES(100,'2026-03-02T19:00:00+00:00','bought',14,'shoe box','shoe box',NULL,NULL,1,'4500000000/467741');
INSERT INTO "ledger" VALUES(101,'2026-03-02T19:00:00+00:00','bought',15,'Backing','backing',NULL,NULL,1,'19440');
INSERT INTO "ledger" VALUES(102,'2026-03-02T19:00:00+00:00','bought',16,'Batting','batting',NULL,NULL,1,'6480');
INSERT INTO "ledger" VALUES(103,'2026-03-03T19:00:00+00:00','bought',17,'strips for the cushion for the tender','lamp red stripe',NULL,NULL,1,'105');
INSERT INTO "ledger" VALUES(104,'2026-03-03T19:00:00+00:00','bought',17,'strips for the cushion for the tender','ticket cream spot',NULL,NULL,1,'105');
INSERT INTO "ledger" VALUES(105,'2026-03-03T19:00:00+00:00','bought',17,'strips for the cushion for the tender','signal green check',NULL,NULL,1,'105');
INSERT INTO "ledger" VALUES(106,'2026-03-03T19:00:00+00:00','bought',17,'strips for the cushion for the tender','brass sprig',NULL,NULL,1,'105');
INSERT INTO "ledger" VALUES(107,'2026-03-03T19:00:00+00:00','bought',17,'strips for the cushion for the tender','night blue fleck',NULL,NULL,1,'105');
INSERT INTO "ledger" VALUES(108,'2026-03-03T19:00:00+00:00','bought',17,'strips for the cushion for the tender','smoke',NULL,NULL,1,'105');
INSERT INTO "ledger" VALUES(109,'2026-03-03T19:00:00+00:00','pulled',17,'strips for the cushion for the tender','lamp red stripe',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(110,'2026-03-03T19:00:00+00:00','cut',17,'strips for the cushion for the tender','lamp red stripe',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(111,'2026-03-03T19:00:00+00:00','pulled',17,'strips for the cushion for the tender','ticket cream spot',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(112,'2026-03-03T19:00:00+00:00','cut',17,'strips for the cushion for the tender','ticket cream spot',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(113,'2026-03-03T19:00:00+00:00','pulled',17,'strips for the cushion for the tender','signal green check',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(114,'2026-03-03T19:00:00+00:00','cut',17,'strips for the cushion for the tender','signal green check',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(115,'2026-03-03T19:00:00+00:00','pulled',17,'strips for the cushion for the tender','brass sprig',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(116,'2026-03-03T19:00:00+00:00','cut',17,'strips for the cushion for the tender','brass sprig',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(117,'2026-03-03T19:00:00+00:00','pulled',17,'strips for the cushion for the tender','night blue fleck',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(118,'2026-03-03T19:00:00+00:00','pulled',17,'strips for the cushion for the tender','smoke',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(119,'2026-03-04T19:00:00+00:00','returned',17,'strips for the cushion for the tender','night blue fleck',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(120,'2026-03-04T19:00:00+00:00','returned',17,'strips for the cushion for the tender','smoke',1,'Cushion for the tender',1,'105');
INSERT INTO "ledger" VALUES(121,'2026-03-04T19:00:00+00:00','left over',18,'ends of Cushion for the tender','lamp red stripe',NULL,NULL,1,'15/4');
INSERT INTO "ledger" VALUES(122,'2026-03-04T19:00:00+00:00','left over',18,'ends of Cushion for the tender','ticket cream spot',NULL,NULL,1,'15/4');
INSERT INTO "ledger" VALUES(123,'2026-03-04T19:00:00+00:00','left over',18,'ends of Cushion for the tender','signal green check',NULL,NULL,1,'15/4');
INSERT INTO "ledger" VALUES(124,'2026-03-04T19:00:00+00:00','left over',18,'ends of Cushion for the tender','brass sprig',NULL,NULL,1,'15/4');
INSERT INTO "ledger" VALUES(125,'2026-03-04T19:00:00+00:00','left over',19,'segments of Cushion for the tender','lamp red stripe',NULL,NULL,1,'45/4');
INSERT INTO "ledger" VALUES(126,'2026-03-04T19:00:00+00:00','left over',19,'segments of Cushion for the tender','ticket cream spot',NULL,NULL,1,'45/4');
INSERT INTO "ledger" VALUES(127,'2026-03-04T19:00:00+00:00','left over',19,'segments of Cushion for the tender','signal green check',NULL,NULL,1,'45/4');
INSERT INTO "ledger" VALUES(128,'2026-03-04T19:00:00+00:00','left over',19,'segments of Cushion for the tender','brass sprig',NULL,NULL,1,'45/4');
INSERT INTO "ledger" VALUES(129,'2026-03-04T19:00:00+00:00','used',17,'strips for the cushion for the tender','lamp red stripe',1,'Cushion for the tender',0,'90');
INSERT INTO "ledger" VALUES(130,'2026-03-04T19:00:00+00:00','put away',17,'strips for the cushion for the tender','lamp red stripe',1,'Cushion for the tender',0,'15');
INSERT INTO "ledger" VALUES(131,'2026-03-04T19:00:00+00:00','used',17,'strips for the cushion for the tender','ticket cream spot',1,'Cushion for the tender',0,'90');
INSERT INTO "ledger" VALUES(132,'2026-03-04T19:00:00+00:00','put away',17,'strips for the cushion for the tender','ticket cream spot',1,'Cushion for the tender',0,'15');
INSERT INTO "ledger" VALUES(133,'2026-03-04T19:00:00+00:00','used',17,'strips for the cushion for the tender','signal green check',1,'Cushion for the tender',0,'90');
INSERT INTO "ledger" VALUES(134,'2026-03-04T19:00:00+00:00','put away',17,'strips for the cushion for the tender','signal green check',1,'Cushion for the tender',0,'15');
INSERT INTO "ledger" VALUES(135,'2026-03-04T19:00:00+00:00','used',17,'strips for the cushion for the tender','brass sprig',1,'Cushion for the tender',0,'90');
INSERT INTO "ledger" VALUES(136,'2026-03-04T19:00:00+00:00','put away',17,'strips for the cushion for the tender','brass sprig',1,'Cushion for the tender',0,'15');
INSERT INTO "ledger" VALUES(137,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','lamp red stripe',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(138,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','ticket cream spot',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(139,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','signal green check',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(140,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','brass sprig',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(141,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','night blue fleck',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(142,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','smoke',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(143,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','rust stripe',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(144,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','tarn spot',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(145,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','coal check',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(146,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','lamp glass sprig',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(147,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','bracken fleck',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(148,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','steam',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(149,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','heather stripe',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(150,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','fell moss spot',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(151,'2026-03-04T19:00:00+00:00','bought',20,'strips for the signal box wall piece','buffer plum check',NULL,NULL,2,'126');
INSERT INTO "ledger" VALUES(152,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','lamp red stripe',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(153,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','ticket cream spot',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(154,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','signal green check',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(155,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','brass sprig',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(156,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','night blue fleck',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(157,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','smoke',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(158,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','rust stripe',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(159,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','tarn spot',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(160,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','coal check',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(161,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','lamp glass sprig',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(162,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','bracken fleck',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(163,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','steam',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(164,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','heather stripe',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(165,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','fell moss spot',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(166,'2026-03-04T19:00:00+00:00','pulled',20,'strips for the signal box wall piece','buffer plum check',2,'Signal box wall piece',2,'126');
INSERT INTO "ledger" VALUES(167,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','lamp red stripe',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(168,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','ticket cream spot',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(169,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','signal green check',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(170,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','brass sprig',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(171,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','night blue fleck',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(172,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','smoke',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(173,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','rust stripe',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(174,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','tarn spot',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(175,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','coal check',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(176,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','lamp glass sprig',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(177,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','bracken fleck',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(178,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','steam',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(179,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','heather stripe',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(180,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','fell moss spot',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(181,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','buffer plum check',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(182,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','straw sprig',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(183,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','porter blue fleck',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(184,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','waiting room rose',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(185,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','slate stripe',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(186,'2026-03-05T19:00:00+00:00','bought',21,'strips for the waiting room lap quilt','carriage brown spot',NULL,NULL,2,'3477500/16129');
INSERT INTO "ledger" VALUES(187,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','lamp red stripe',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(188,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','ticket cream spot',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(189,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','signal green check',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(190,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','brass sprig',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(191,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','night blue fleck',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(192,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','smoke',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(193,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','rust stripe',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(194,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','tarn spot',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(195,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','coal check',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(196,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','lamp glass sprig',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(197,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','bracken fleck',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(198,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','steam',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(199,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','heather stripe',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(200,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','fell moss spot',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(201,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','buffer plum check',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(202,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','straw sprig',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(203,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','porter blue fleck',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(204,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','waiting room rose',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(205,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','slate stripe',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(206,'2026-03-05T19:00:00+00:00','pulled',21,'strips for the waiting room lap quilt','carriage brown spot',3,'Waiting room lap quilt',2,'3477500/16129');
INSERT INTO "ledger" VALUES(207,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','lamp red stripe',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(208,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','ticket cream spot',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(209,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','signal green check',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(210,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','brass sprig',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(211,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','night blue fleck',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(212,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','smoke',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(213,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','rust stripe',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(214,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','tarn spot',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(215,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','coal check',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(216,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','lamp glass sprig',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(217,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','bracken fleck',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(218,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','steam',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(219,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','heather stripe',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(220,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','fell moss spot',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(221,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','buffer plum check',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(222,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','straw sprig',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(223,'2026-03-06T19:00:00+00:00','bought',22,'strips for the lower berth quilt','porter blue fleck',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(224,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','lamp red stripe',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(225,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','ticket cream spot',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(226,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','signal green check',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(227,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','brass sprig',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(228,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','night blue fleck',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(229,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','smoke',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(230,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','rust stripe',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(231,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','tarn spot',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(232,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','coal check',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(233,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','lamp glass sprig',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(234,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','bracken fleck',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(235,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','steam',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(236,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','heather stripe',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(237,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','fell moss spot',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(238,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','buffer plum check',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(239,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','straw sprig',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(240,'2026-03-06T19:00:00+00:00','pulled',22,'strips for the lower berth quilt','porter blue fleck',4,'Lower berth quilt',2,'825/4');
INSERT INTO "ledger" VALUES(241,'2026-03-06T19:00:00+00:00','pulled',4,'charcoal','charcoal',4,'Lower berth quilt',1,'3402');
INSERT INTO "ledger" VALUES(242,'2026-03-06T19:00:00+00:00','pulled',15,'Backing','backing',4,'Lower berth quilt',1,'19440');
INSERT INTO "ledger" VALUES(243,'2026-03-06T19:00:00+00:00','pulled',16,'Batting','batting',4,'Lower berth quilt',1,'6480');
INSERT INTO "ledger" VALUES(244,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','lamp red stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(245,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','ticket cream spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(246,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','signal green check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(247,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','brass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(248,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','night blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(249,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','smoke',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(250,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','rust stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(251,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','tarn spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(252,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','coal check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(253,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','lamp glass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(254,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','bracken fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(255,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','steam',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(256,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','heather stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(257,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','fell moss spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(258,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','buffer plum check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(259,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','straw sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(260,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','porter blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(261,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','waiting room rose',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(262,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','slate stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(263,'2026-03-07T19:00:00+00:00','bought',23,'strips for the crew room throw','carriage brown spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(264,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','lamp red stripe',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(265,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','ticket cream spot',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(266,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','signal green check',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(267,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','brass sprig',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(268,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','night blue fleck',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(269,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','smoke',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(270,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','rust stripe',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(271,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','tarn spot',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(272,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','coal check',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(273,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','lamp glass sprig',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(274,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','bracken fleck',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(275,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','steam',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(276,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','heather stripe',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(277,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','fell moss spot',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(278,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','buffer plum check',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(279,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','straw sprig',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(280,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','porter blue fleck',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(281,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','waiting room rose',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(282,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','slate stripe',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(283,'2026-03-07T19:00:00+00:00','pulled',23,'strips for the crew room throw','carriage brown spot',5,'Crew room throw',2,'210');
INSERT INTO "ledger" VALUES(284,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','ticket cream spot',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(285,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','smoke',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(286,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','lamp glass sprig',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(287,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','steam',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(288,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','straw sprig',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(289,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','waiting room rose',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(290,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','ticket cream check',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(291,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','lamp glass fleck',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(292,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','steam stripe',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(293,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','straw fleck',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(294,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','oatmeal sprig',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(295,'2026-03-08T19:00:00+00:00','pulled',2,'curtain remnants, light','ticket cream sprig',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(296,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','night blue fleck',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(297,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','carriage brown spot',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(298,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','night blue',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(299,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','coal sprig',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(300,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','buffer plum sprig',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(301,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','night blue stripe',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(302,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','coal fleck',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(303,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','buffer plum fleck',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(304,'2026-03-08T19:00:00+00:00','pulled',3,'curtain remnants, dark','carriage brown sprig',6,'Smoking room log cabin',1,'735/2');
INSERT INTO "ledger" VALUES(305,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','lamp red stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(306,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','ticket cream spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(307,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','signal green check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(308,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','brass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(309,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','night blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(310,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','smoke',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(311,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','rust stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(312,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','tarn spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(313,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','coal check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(314,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','lamp glass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(315,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','bracken fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(316,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','steam',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(317,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','heather stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(318,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','fell moss spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(319,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','buffer plum check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(320,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','straw sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(321,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','porter blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(322,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','waiting room rose',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(323,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','slate stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(324,'2026-04-01T09:00:00+00:00','bought',24,'Forty strips, 8 by 10 1','carriage brown spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(325,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','lamp red stripe',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(326,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','ticket cream spot',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(327,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','signal green check',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(328,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','brass sprig',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(329,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','night blue fleck',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(330,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','smoke',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(331,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','rust stripe',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(332,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','tarn spot',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(333,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','coal check',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(334,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','lamp glass sprig',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(335,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','bracken fleck',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(336,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','steam',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(337,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','heather stripe',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(338,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','fell moss spot',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(339,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','buffer plum check',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(340,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','straw sprig',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(341,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','porter blue fleck',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(342,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','waiting room rose',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(343,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','slate stripe',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(344,'2026-04-01T09:00:00+00:00','pulled',24,'Forty strips, 8 by 10 1','carriage brown spot',7,'Forty strips, 8 by 10',2,'210');
INSERT INTO "ledger" VALUES(345,'2026-04-02T09:00:00+00:00','bought',25,'Sets of four, one print 1','signal green',NULL,NULL,24,'2520');
INSERT INTO "ledger" VALUES(346,'2026-04-02T09:00:00+00:00','pulled',25,'Sets of four, one print 1','signal green',8,'Sets of four, one print',24,'2520');
INSERT INTO "ledger" VALUES(347,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','lamp red stripe',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(348,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','ticket cream spot',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(349,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','signal green check',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(350,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','brass sprig',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(351,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','night blue fleck',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(352,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','smoke',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(353,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','rust stripe',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(354,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','tarn spot',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(355,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','coal check',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(356,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','lamp glass sprig',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(357,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','bracken fleck',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(358,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','steam',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(359,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','heather stripe',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(360,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','fell moss spot',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(361,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','buffer plum check',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(362,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','straw sprig',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(363,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','porter blue fleck',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(364,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','waiting room rose',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(365,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','slate stripe',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(366,'2026-04-03T09:00:00+00:00','bought',26,'Measured short 1','carriage brown spot',NULL,NULL,2,'825/4');
INSERT INTO "ledger" VALUES(367,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','lamp red stripe',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(368,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','ticket cream spot',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(369,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','signal green check',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(370,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','brass sprig',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(371,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','night blue fleck',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(372,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','smoke',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(373,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','rust stripe',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(374,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','tarn spot',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(375,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','coal check',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(376,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','lamp glass sprig',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(377,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','bracken fleck',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(378,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','steam',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(379,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','heather stripe',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(380,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','fell moss spot',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(381,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','buffer plum check',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(382,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','straw sprig',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(383,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','porter blue fleck',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(384,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','waiting room rose',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(385,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','slate stripe',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(386,'2026-04-03T09:00:00+00:00','pulled',26,'Measured short 1','carriage brown spot',9,'Measured short',2,'825/4');
INSERT INTO "ledger" VALUES(387,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','lamp red stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(388,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','ticket cream spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(389,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','signal green check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(390,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','brass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(391,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','night blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(392,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','smoke',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(393,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','rust stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(394,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','tarn spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(395,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','coal check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(396,'2026-04-04T09:00:00+00:00','bought',27,'Short of blocks 1','lamp glass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(397,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','lamp red stripe',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(398,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','ticket cream spot',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(399,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','signal green check',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(400,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','brass sprig',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(401,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','night blue fleck',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(402,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','smoke',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(403,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','rust stripe',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(404,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','tarn spot',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(405,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','coal check',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(406,'2026-04-04T09:00:00+00:00','pulled',27,'Short of blocks 1','lamp glass sprig',10,'Short of blocks',2,'210');
INSERT INTO "ledger" VALUES(407,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','ticket cream spot',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(408,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','smoke',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(409,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','lamp glass sprig',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(410,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','steam',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(411,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','straw sprig',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(412,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','waiting room rose',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(413,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','ticket cream check',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(414,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','lamp glass fleck',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(415,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','steam stripe',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(416,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','straw fleck',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(417,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','oatmeal sprig',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(418,'2026-04-05T09:00:00+00:00','bought',28,'Nine-patch charms 1','ticket cream sprig',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(419,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','night blue fleck',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(420,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','carriage brown spot',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(421,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','night blue',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(422,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','coal sprig',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(423,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','buffer plum sprig',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(424,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','night blue stripe',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(425,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','coal fleck',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(426,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','buffer plum fleck',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(427,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','carriage brown sprig',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(428,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','signal green',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(429,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','night blue spot',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(430,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','coal',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(431,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','buffer plum',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(432,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','carriage brown fleck',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(433,'2026-04-05T09:00:00+00:00','bought',29,'Nine-patch charms 2','coal stripe',NULL,NULL,1,'25');
INSERT INTO "ledger" VALUES(434,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','ticket cream spot',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(435,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','smoke',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(436,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','lamp glass sprig',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(437,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','steam',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(438,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','straw sprig',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(439,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','waiting room rose',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(440,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','ticket cream check',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(441,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','lamp glass fleck',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(442,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','steam stripe',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(443,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','straw fleck',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(444,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','oatmeal sprig',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(445,'2026-04-05T09:00:00+00:00','pulled',28,'Nine-patch charms 1','ticket cream sprig',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(446,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','night blue fleck',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(447,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','carriage brown spot',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(448,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','night blue',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(449,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','coal sprig',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(450,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','buffer plum sprig',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(451,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','night blue stripe',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(452,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','coal fleck',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(453,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','buffer plum fleck',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(454,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','carriage brown sprig',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(455,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','signal green',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(456,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','night blue spot',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(457,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','coal',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(458,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','buffer plum',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(459,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','carriage brown fleck',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(460,'2026-04-05T09:00:00+00:00','pulled',29,'Nine-patch charms 2','coal stripe',11,'Nine-patch charms',1,'25');
INSERT INTO "ledger" VALUES(461,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','lamp red stripe',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(462,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','ticket cream spot',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(463,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','signal green check',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(464,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','brass sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(465,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','night blue fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(466,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','smoke',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(467,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','rust stripe',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(468,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','tarn spot',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(469,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','coal check',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(470,'2026-04-06T09:00:00+00:00','bought',30,'Windows 1','lamp glass sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(471,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','lamp red stripe',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(472,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','ticket cream spot',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(473,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','signal green check',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(474,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','brass sprig',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(475,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','night blue fleck',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(476,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','smoke',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(477,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','rust stripe',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(478,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','tarn spot',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(479,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','coal check',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(480,'2026-04-06T09:00:00+00:00','pulled',30,'Windows 1','lamp glass sprig',12,'Windows',1,'735/2');
INSERT INTO "ledger" VALUES(481,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','lamp red stripe',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(482,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','ticket cream spot',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(483,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','signal green check',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(484,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','brass sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(485,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','night blue fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(486,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','smoke',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(487,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','rust stripe',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(488,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','tarn spot',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(489,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','coal check',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(490,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','lamp glass sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(491,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','bracken fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(492,'2026-04-07T09:00:00+00:00','bought',31,'Own pieces 1','steam',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(493,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','lamp red stripe',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(494,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','ticket cream spot',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(495,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','signal green check',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(496,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','brass sprig',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(497,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','night blue fleck',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(498,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','smoke',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(499,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','rust stripe',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(500,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','tarn spot',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(501,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','coal check',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(502,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','lamp glass sprig',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(503,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','bracken fleck',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(504,'2026-04-07T09:00:00+00:00','pulled',31,'Own pieces 1','steam',13,'Own pieces',1,'735/2');
INSERT INTO "ledger" VALUES(505,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','lamp red stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(506,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','ticket cream spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(507,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','signal green check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(508,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','brass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(509,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','night blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(510,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','smoke',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(511,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','rust stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(512,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','tarn spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(513,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','coal check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(514,'2026-04-08T09:00:00+00:00','bought',32,'Strips and quarters 1','lamp glass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(515,'2026-04-08T09:00:00+00:00','bought',33,'Strips and quarters 2','lamp red stripe',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(516,'2026-04-08T09:00:00+00:00','bought',33,'Strips and quarters 2','ticket cream spot',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(517,'2026-04-08T09:00:00+00:00','bought',33,'Strips and quarters 2','signal green check',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(518,'2026-04-08T09:00:00+00:00','bought',33,'Strips and quarters 2','brass sprig',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(519,'2026-04-08T09:00:00+00:00','bought',33,'Strips and quarters 2','night blue fleck',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(520,'2026-04-08T09:00:00+00:00','bought',33,'Strips and quarters 2','smoke',NULL,NULL,1,'735/2');
INSERT INTO "ledger" VALUES(521,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','lamp red stripe',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(522,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','ticket cream spot',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(523,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','signal green check',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(524,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','brass sprig',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(525,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','night blue fleck',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(526,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','smoke',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(527,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','rust stripe',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(528,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','tarn spot',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(529,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','coal check',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(530,'2026-04-08T09:00:00+00:00','pulled',32,'Strips and quarters 1','lamp glass sprig',14,'Strips and quarters',2,'210');
INSERT INTO "ledger" VALUES(531,'2026-04-08T09:00:00+00:00','pulled',33,'Strips and quarters 2','lamp red stripe',14,'Strips and quarters',1,'735/2');
INSERT INTO "ledger" VALUES(532,'2026-04-08T09:00:00+00:00','pulled',33,'Strips and quarters 2','ticket cream spot',14,'Strips and quarters',1,'735/2');
INSERT INTO "ledger" VALUES(533,'2026-04-08T09:00:00+00:00','pulled',33,'Strips and quarters 2','signal green check',14,'Strips and quarters',1,'735/2');
INSERT INTO "ledger" VALUES(534,'2026-04-08T09:00:00+00:00','pulled',33,'Strips and quarters 2','brass sprig',14,'Strips and quarters',1,'735/2');
INSERT INTO "ledger" VALUES(535,'2026-04-08T09:00:00+00:00','pulled',33,'Strips and quarters 2','night blue fleck',14,'Strips and quarters',1,'735/2');
INSERT INTO "ledger" VALUES(536,'2026-04-08T09:00:00+00:00','pulled',33,'Strips and quarters 2','smoke',14,'Strips and quarters',1,'735/2');
INSERT INTO "ledger" VALUES(537,'2026-04-09T09:00:00+00:00','bought',34,'Only a sketch 1','lamp red stripe',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(538,'2026-04-09T09:00:00+00:00','bought',34,'Only a sketch 1','ticket cream spot',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(539,'2026-04-09T09:00:00+00:00','bought',34,'Only a sketch 1','signal green check',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(540,'2026-04-09T09:00:00+00:00','bought',34,'Only a sketch 1','brass sprig',NULL,NULL,2,'200');
INSERT INTO "ledger" VALUES(541,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','lamp red stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(542,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','ticket cream spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(543,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','signal green check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(544,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','brass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(545,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','night blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(546,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','smoke',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(547,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','rust stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(548,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','tarn spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(549,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','coal check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(550,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','lamp glass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(551,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','bracken fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(552,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','steam',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(553,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','heather stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(554,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','fell moss spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(555,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','buffer plum check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(556,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','straw sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(557,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','porter blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(558,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','waiting room rose',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(559,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','slate stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(560,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','carriage brown spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(561,'2026-04-10T09:00:00+00:00','bought',35,'For a bed 1','oatmeal check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(562,'2026-04-10T09:00:00+00:00','bought',36,'For a bed 2','signal green',NULL,NULL,1,'4536');
INSERT INTO "ledger" VALUES(563,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','lamp red stripe',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(564,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','ticket cream spot',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(565,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','signal green check',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(566,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','brass sprig',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(567,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','night blue fleck',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(568,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','smoke',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(569,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','rust stripe',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(570,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','tarn spot',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(571,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','coal check',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(572,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','lamp glass sprig',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(573,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','bracken fleck',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(574,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','steam',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(575,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','heather stripe',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(576,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','fell moss spot',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(577,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','buffer plum check',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(578,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','straw sprig',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(579,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','porter blue fleck',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(580,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','waiting room rose',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(581,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','slate stripe',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(582,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','carriage brown spot',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(583,'2026-04-10T09:00:00+00:00','pulled',35,'For a bed 1','oatmeal check',16,'For a bed',2,'210');
INSERT INTO "ledger" VALUES(584,'2026-04-10T09:00:00+00:00','pulled',36,'For a bed 2','signal green',16,'For a bed',1,'4536');
INSERT INTO "ledger" VALUES(585,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','lamp red stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(586,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','ticket cream spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(587,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','signal green check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(588,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','brass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(589,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','night blue fleck',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(590,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','smoke',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(591,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','rust stripe',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(592,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','tarn spot',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(593,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','coal check',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(594,'2026-04-11T09:00:00+00:00','bought',37,'Thrown away 1','lamp glass sprig',NULL,NULL,2,'210');
INSERT INTO "ledger" VALUES(595,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','lamp red stripe',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(596,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','ticket cream spot',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(597,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','signal green check',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(598,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','brass sprig',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(599,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','night blue fleck',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(600,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','smoke',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(601,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','rust stripe',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(602,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','tarn spot',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(603,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','coal check',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(604,'2026-04-11T09:00:00+00:00','pulled',37,'Thrown away 1','lamp glass sprig',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(605,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','lamp red stripe',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(606,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','ticket cream spot',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(607,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','signal green check',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(608,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','brass sprig',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(609,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','night blue fleck',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(610,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','smoke',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(611,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','rust stripe',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(612,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','tarn spot',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(613,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','coal check',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(614,'2026-04-01T09:00:00+00:00','returned',37,'Thrown away 1','lamp glass sprig',17,'Thrown away',2,'210');
INSERT INTO "ledger" VALUES(615,'2026-04-12T09:00:00+00:00','bought',38,'Strings only 1','string',NULL,NULL,9,'405');
INSERT INTO "ledger" VALUES(616,'2026-04-12T09:00:00+00:00','pulled',38,'Strings only 1','string',18,'Strings only',9,'405');
CREATE TABLE preferences (
	id INTEGER NOT NULL, 
	revision INTEGER NOT NULL, 
	seam VARCHAR(40) NOT NULL, 
	usable_width VARCHAR(40) NOT NULL, 
	units VARCHAR NOT NULL, 
	theme VARCHAR NOT NULL, 
	paper VARCHAR NOT NULL, 
	PRIMARY KEY (id)
);
CREATE TABLE project (
	id INTEGER NOT NULL, 
	revision INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	said VARCHAR NOT NULL, 
	created_at VARCHAR(40) NOT NULL, 
	updated_at VARCHAR(40) NOT NULL, 
	deleted_at VARCHAR(40), 
	strips_per_block INTEGER NOT NULL, 
	method VARCHAR NOT NULL, 
	different_prints BOOLEAN, 
	purpose VARCHAR NOT NULL, 
	"drop" VARCHAR(40) NOT NULL, 
	tuck VARCHAR(40) NOT NULL, 
	own_width VARCHAR(40), 
	own_length VARCHAR(40), 
	rows INTEGER, 
	columns INTEGER, 
	border_width VARCHAR(40), 
	binding_width VARCHAR(40) NOT NULL, 
	binding_from_stash BOOLEAN NOT NULL, 
	margin VARCHAR(40) NOT NULL, 
	backing_way VARCHAR, 
	seam VARCHAR(40) NOT NULL, 
	usable_width VARCHAR(40) NOT NULL, sketch BOOLEAN DEFAULT 0 NOT NULL, put_away BOOLEAN DEFAULT 0 NOT NULL, block VARCHAR DEFAULT '{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}' NOT NULL, even BOOLEAN DEFAULT 0 NOT NULL, by_value BOOLEAN DEFAULT 1 NOT NULL, 
	PRIMARY KEY (id)
);
INSERT INTO "project" VALUES(1,2,'Cushion for the tender','6 strips, 6 prints','2026-03-03T19:00:00+00:00','2026-03-04T19:00:00+00:00',NULL,2,'segments',NULL,'own','12','0','18','18',4,4,'1','5/2',1,'2',NULL,'1/4','42',0,1,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(2,1,'Signal box wall piece','30 strips 1 1/2 x 42, 15 prints','2026-03-04T19:00:00+00:00','2026-03-04T19:00:00+00:00',NULL,5,'sets',NULL,'any','12','0',NULL,NULL,4,4,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(3,1,'Waiting room lap quilt','roll 40 x 6.5 cm x 107cm','2026-03-05T19:00:00+00:00','2026-03-05T19:00:00+00:00',NULL,4,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(4,2,'Lower berth quilt','34 strips 2 1/2 x 41 1/4, 17 prints','2026-03-06T19:00:00+00:00','2026-03-06T19:00:00+00:00',NULL,3,'sets',NULL,'own','12','0','28','74',12,4,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(5,1,'Crew room throw','roll of 40 strips, 20 prints','2026-03-07T19:00:00+00:00','2026-03-07T19:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,10,8,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(6,1,'Smoking room log cabin','curtain remnants, light and dark','2026-03-08T19:00:00+00:00','2026-03-08T19:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "log-cabin", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(7,2,'Forty strips, 8 by 10','roll of 40 strips, 20 prints','2026-04-01T09:00:00+00:00','2026-04-01T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,10,8,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(8,2,'Sets of four, one print','24 strips signal green','2026-04-02T09:00:00+00:00','2026-04-01T09:00:00+00:00',NULL,4,'sets',0,'any','12','0',NULL,NULL,3,4,'2','5/2',0,'4','across','1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(9,1,'Measured short','roll of 40 strips, 20 prints','2026-04-03T09:00:00+00:00','2026-04-03T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'9/4',1,'2',NULL,'3/8','40',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(10,1,'Short of blocks','20 strips, 10 prints','2026-04-04T09:00:00+00:00','2026-04-04T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,9,8,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(11,1,'Nine-patch charms','12 light charm squares; 15 dark charm squares','2026-04-05T09:00:00+00:00','2026-04-05T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "nine-patch", "finished": ["6", "6"], "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(12,1,'Windows','10 fat quarters, 10 prints','2026-04-06T09:00:00+00:00','2026-04-06T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "window-brick", "finished": ["6", "9"], "options": {"windows": 2, "window": {"inches": "2"}, "sill": {"inches": "1"}}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(13,1,'Own pieces','12 fat quarters','2026-04-07T09:00:00+00:00','2026-04-07T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "pieces", "finished": ["4", "4"], "options": {}, "pieces": [{"label": "A", "role": "light", "width": "5/2", "height": "9/2", "count": 1}, {"label": "B", "role": "dark", "width": "5/2", "height": "9/2", "count": 1}], "rules": [{"roles": ["light", "dark"], "same": false}]}',1,1);
INSERT INTO "project" VALUES(14,1,'Strips and quarters','20 strips, 10 prints; 6 fat quarters','2026-04-08T09:00:00+00:00','2026-04-08T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(15,1,'Only a sketch','8 ten-inch squares, 4 prints','2026-04-09T09:00:00+00:00','2026-04-09T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',1,0,'{"recipe": "pinwheel", "finished": ["8", "8"], "options": {"method": "four at a time"}, "pieces": [], "rules": []}',0,0);
INSERT INTO "project" VALUES(16,1,'For a bed','roll of 42 strips, 21 prints; 3 yd signal green','2026-04-10T09:00:00+00:00','2026-04-10T09:00:00+00:00',NULL,3,'segments',1,'twin','8','10',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(17,1,'Thrown away','20 strips, 10 prints','2026-04-11T09:00:00+00:00','2026-04-11T09:00:00+00:00','2026-04-01T09:00:00+00:00',3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
INSERT INTO "project" VALUES(18,1,'Strings only','9 strings 1 1/2 x 30','2026-04-12T09:00:00+00:00','2026-04-12T09:00:00+00:00',NULL,3,'segments',NULL,'any','12','0',NULL,NULL,NULL,NULL,NULL,'5/2',1,'2',NULL,'1/4','42',0,0,'{"recipe": "rails", "finished": null, "options": {}, "pieces": [], "rules": []}',0,1);
CREATE TABLE pull (
	project_id INTEGER NOT NULL, 
	stack_id INTEGER NOT NULL, 
	position INTEGER NOT NULL, 
	count INTEGER NOT NULL, 
	cut INTEGER NOT NULL, 
	roles VARCHAR NOT NULL, 
	value VARCHAR, 
	aside VARCHAR, 
	PRIMARY KEY (project_id, stack_id), 
	FOREIGN KEY(project_id) REFERENCES project (id) ON DELETE CASCADE, 
	FOREIGN KEY(stack_id) REFERENCES cupboard_stack (id) ON DELETE CASCADE
);
INSERT INTO "pull" VALUES(1,103,0,1,1,'any',NULL,NULL);
INSERT INTO "pull" VALUES(1,104,1,1,1,'any',NULL,NULL);
INSERT INTO "pull" VALUES(1,105,2,1,1,'any',NULL,NULL);
INSERT INTO "pull" VALUES(1,106,3,1,1,'any',NULL,NULL);
INSERT INTO "pull" VALUES(1,107,4,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(1,108,5,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,117,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,118,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,119,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,120,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,121,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,122,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,123,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,124,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,125,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,126,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,127,10,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,128,11,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,129,12,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,130,13,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(2,131,14,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,132,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,133,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,134,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,135,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,136,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,137,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,138,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,139,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,140,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,141,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,142,10,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,143,11,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,144,12,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,145,13,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,146,14,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,147,15,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,148,16,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,149,17,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,150,18,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(3,151,19,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,152,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,153,1,2,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(4,154,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,155,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,156,4,2,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(4,157,5,2,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(4,158,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,159,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,160,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,161,9,2,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(4,162,10,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,163,11,2,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(4,164,12,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,165,13,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,166,14,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,167,15,2,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(4,168,16,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(4,42,17,1,0,'border',NULL,NULL);
INSERT INTO "pull" VALUES(4,101,18,1,0,'backing',NULL,NULL);
INSERT INTO "pull" VALUES(4,102,19,1,0,'batting',NULL,NULL);
INSERT INTO "pull" VALUES(5,169,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,170,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,171,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,172,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,173,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,174,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,175,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,176,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,177,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,178,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,179,10,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,180,11,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,181,12,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,182,13,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,183,14,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,184,15,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,185,16,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,186,17,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,187,18,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(5,188,19,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(6,21,0,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,22,1,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,23,2,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,24,3,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,25,4,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,26,5,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,27,6,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,28,7,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,29,8,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,30,9,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,31,10,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,32,11,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(6,33,12,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(6,34,13,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(6,35,14,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(6,36,15,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(6,37,16,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(6,38,17,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(6,39,18,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(6,40,19,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(6,41,20,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(7,189,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,190,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,191,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,192,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,193,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,194,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,195,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,196,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,197,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,198,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,199,10,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,200,11,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,201,12,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,202,13,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,203,14,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,204,15,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,205,16,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,206,17,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,207,18,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(7,208,19,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(8,209,0,24,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,210,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,211,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,212,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,213,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,214,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,215,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,216,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,217,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,218,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,219,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,220,10,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,221,11,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,222,12,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,223,13,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,224,14,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,225,15,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,226,16,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,227,17,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,228,18,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(9,229,19,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,230,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,231,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,232,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,233,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,234,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,235,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,236,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,237,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,238,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(10,239,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(11,240,0,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,241,1,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,242,2,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,243,3,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,244,4,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,245,5,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,246,6,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,247,7,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,248,8,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,249,9,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,250,10,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,251,11,1,0,'light',NULL,NULL);
INSERT INTO "pull" VALUES(11,252,12,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,253,13,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,254,14,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,255,15,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,256,16,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,257,17,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,258,18,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,259,19,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,260,20,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,261,21,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,262,22,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,263,23,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,264,24,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,265,25,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(11,266,26,1,0,'dark',NULL,NULL);
INSERT INTO "pull" VALUES(12,267,0,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,268,1,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,269,2,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,270,3,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,271,4,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,272,5,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,273,6,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,274,7,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,275,8,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(12,276,9,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,277,0,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,278,1,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,279,2,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,280,3,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,281,4,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,282,5,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,283,6,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,284,7,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,285,8,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,286,9,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,287,10,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(13,288,11,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,289,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,290,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,291,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,292,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,293,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,294,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,295,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,296,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,297,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,298,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,299,10,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,300,11,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,301,12,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,302,13,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,303,14,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(14,304,15,1,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(15,305,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(15,306,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(15,307,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(15,308,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,309,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,310,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,311,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,312,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,313,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,314,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,315,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,316,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,317,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,318,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,319,10,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,320,11,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,321,12,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,322,13,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,323,14,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,324,15,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,325,16,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,326,17,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,327,18,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,328,19,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,329,20,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(16,330,21,1,0,'border',NULL,NULL);
INSERT INTO "pull" VALUES(17,331,0,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,332,1,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,333,2,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,334,3,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,335,4,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,336,5,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,337,6,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,338,7,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,339,8,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(17,340,9,2,0,'any',NULL,NULL);
INSERT INTO "pull" VALUES(18,341,0,9,0,'any',NULL,NULL);
CREATE TABLE world (
	id INTEGER NOT NULL, 
	is_sample BOOLEAN NOT NULL, 
	PRIMARY KEY (id)
);
INSERT INTO "world" VALUES(1,1);
CREATE INDEX project_by_time ON project (deleted_at, updated_at);
CREATE INDEX cupboard_by_time ON cupboard_lot (deleted_at, created_at, id, cut, pieces);
CREATE INDEX ix_cupboard_stack_lot_id ON cupboard_stack (lot_id);
CREATE INDEX ix_pull_stack_id ON pull (stack_id);
CREATE INDEX ix_ledger_lot_id ON ledger (lot_id);
CREATE INDEX ix_ledger_project_id ON ledger (project_id);
DELETE FROM "sqlite_sequence";
INSERT INTO "sqlite_sequence" VALUES('cupboard_stack',341);
COMMIT;
